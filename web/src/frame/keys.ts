import { useEffect, useLayoutEffect, useRef } from "react";

type Handlers = Record<string, (event: KeyboardEvent) => void>;

function typing(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return (
    element !== null &&
    (element.tagName === "TEXTAREA" ||
      // a letter chooses from a list as well
      element.tagName === "SELECT" ||
      element.isContentEditable ||
      (element.tagName === "INPUT" &&
        !["checkbox", "radio", "button"].includes((element as HTMLInputElement).type)))
  );
}

/**
 * Single keys for a view, by name ("j", "Ctrl+Enter"). They rest while somebody types into a field or a dialog is open,
 * but for those with Ctrl.
 */
export function useKeys(handlers: Handlers) {
  const current = useRef(handlers);
  // before the screen shows the new state: a key pressed on seeing it must meet the handlers that know it
  useLayoutEffect(() => {
    current.current = handlers;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.altKey || event.metaKey || (event.repeat && event.key === "Enter")) {
        return;
      }
      const name =
        (event.ctrlKey ? "Ctrl+" : "") + (event.key.length === 1 ? event.key.toLowerCase() : event.key);
      const handler = current.current[name];
      const blocked = document.querySelector('[role="dialog"], [role="menu"]') !== null;
      if (handler && !blocked && (event.ctrlKey || !typing(event.target))) {
        event.preventDefault();
        handler(event);
      }
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
