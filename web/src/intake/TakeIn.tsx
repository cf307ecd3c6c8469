import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { useBooks } from "../access/session";
import { Refusal } from "../api/client";
import { useRefresh } from "../desk/queries";
import { IntakingContext, type Intaking, type Item } from "./intaking";
import { send, type Sending } from "./send";

let keys = 0;

/** Takes files in that are dropped anywhere on the page or chosen, one after the other. */
export function TakeIn({ children }: { children: ReactNode }) {
  const books = useBooks();
  const refresh = useRefresh();
  const [items, setItems] = useState<Item[]>([]);
  const [bankAccount, forAccount] = useState("");
  const [over, setOver] = useState(false);
  const sending = useRef<Sending | null>(null);
  const left = useRef<{ key: number; file: File; bankAccount: string; around: boolean }[]>([]);
  const clear = useCallback(() => setItems((all) => all.filter((item) => !item.outcome)), []);

  const intaking = useMemo<Intaking>(() => {
    const put = (key: number, more: Partial<Item>) =>
      setItems((all) => all.map((item) => (item.key === key ? { ...item, ...more } : item)));
    const work = async () => {
      for (let next = left.current.shift(); next; next = left.current.shift()) {
        const { key, file } = next;
        sending.current = send(
          file,
          books.company,
          { bankAccount: next.bankAccount, around: next.around },
          (progress) => put(key, { progress }),
        );
        put(key, { outcome: await sending.current.outcome });
        await refresh();
      }
      sending.current = null;
    };
    return {
      items,
      over,
      bankAccount,
      forAccount,
      take: (files, around = false) => {
        const fresh = files.map((file) => ({ key: ++keys, file, bankAccount, around }));
        left.current.push(...fresh);
        const idle = sending.current === null;
        // what has come through before is told until something else comes
        setItems((all) => [...(all.some((item) => !item.outcome) ? all : []), ...fresh]);
        if (idle) {
          void work();
        }
      },
      stop: () => {
        for (const { key, file } of left.current) {
          put(key, { outcome: { file, refusal: new Refusal(0, "STOPPED", "It was not begun.") } });
        }
        left.current = [];
        sending.current?.stop();
      },
      clear,
    };
  }, [items, over, bankAccount, books.company, refresh, clear]);

  const takeRef = useRef(intaking.take);
  useEffect(() => {
    takeRef.current = intaking.take;
  });
  useEffect(() => {
    if (!books.mayPost) {
      return;
    }
    const drag = (event: DragEvent) => {
      event.preventDefault();
      setOver(event.type === "dragover");
    };
    const drop = (event: DragEvent) => {
      event.preventDefault();
      setOver(false);
      const files = [...(event.dataTransfer?.files ?? [])];
      if (files.length > 0) {
        takeRef.current(files);
      }
    };
    window.addEventListener("dragover", drag);
    window.addEventListener("dragleave", drag);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", drag);
      window.removeEventListener("dragleave", drag);
      window.removeEventListener("drop", drop);
    };
  }, [books.mayPost]);

  return <IntakingContext value={intaking}>{children}</IntakingContext>;
}
