import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef } from "react";
import { api, data, type Schemas } from "../api/client";
import { subjectOf, type Draft } from "./drafts";

const PAUSE = 300;

interface Line {
  next?: Draft;
  timer?: ReturnType<typeof setTimeout>;
  running?: Promise<void>;
}

/**
 * Keeps drafts on the server while they grow: the latest of each, one call at a time, a moment after the last change.
 * {@code kept} hears which draft is safe; {@code failed} why one is not.
 */
export function useDraftKeeper(kept: (draft: Draft) => void, failed: (sentence: string) => void) {
  const queries = useQueryClient();
  const lines = useRef(new Map<string, Line>());
  const heard = useRef({ kept, failed });
  useEffect(() => {
    heard.current = { kept, failed };
  });

  const keeper = useMemo(() => {
    const lineOf = (subject: string): Line => {
      const line = lines.current.get(subject) ?? {};
      lines.current.set(subject, line);
      return line;
    };
    const send = async (subject: string, draft: Draft, leaving = false) => {
      const state = queries.getQueryData<Schemas["DraftState"]>(["held", subject]);
      const seen = state?.held?.version;
      try {
        const answer = data(
          await api.PUT("/api/drafts/{subject}", {
            params: {
              path: { subject },
              header: seen === undefined ? {} : { "If-Match": String(seen) },
            },
            body: draft,
            // goes on while the page goes
            keepalive: leaving,
          }),
        );
        // an older answer that is still on its way must not bring back the version before
        await queries.cancelQueries({ queryKey: ["held", subject] });
        queries.setQueryData(["held", subject], { held: answer.held });
        void queries.invalidateQueries({ queryKey: ["drafts"] });
        heard.current.kept(draft);
      } catch (error) {
        void queries.invalidateQueries({ queryKey: ["held", subject] });
        heard.current.failed((error as Error).message);
      }
    };
    const run = async (subject: string) => {
      const line = lineOf(subject);
      await line.running;
      const draft = line.next;
      line.next = undefined;
      if (draft) {
        const sent = send(subject, draft);
        line.running = sent;
        await sent;
        line.running = line.running === sent ? undefined : line.running;
      }
    };
    return {
      /** The page goes: what is not sent yet is sent at once. */
      leave() {
        for (const [subject, line] of lines.current) {
          clearTimeout(line.timer);
          if (line.next && !line.running) {
            const draft = line.next;
            line.next = undefined;
            void send(subject, draft, true);
          }
        }
      },
      /** Keeps this draft, soon. */
      keep(draft: Draft) {
        const subject = subjectOf(draft);
        const line = lineOf(subject);
        line.next = draft;
        clearTimeout(line.timer);
        line.timer = setTimeout(() => void run(subject), PAUSE);
      },
      /** Sends what is not sent yet and waits for it. */
      async settle(subject: string) {
        clearTimeout(lineOf(subject).timer);
        await run(subject);
      },
      /** Forgets what is not sent yet: it is posted or thrown away; waits for a call that is on its way. */
      async drop(subject: string) {
        const line = lineOf(subject);
        clearTimeout(line.timer);
        line.next = undefined;
        await line.running;
      },
    };
  }, [queries]);
  useEffect(() => {
    window.addEventListener("pagehide", keeper.leave);
    return () => window.removeEventListener("pagehide", keeper.leave);
  }, [keeper]);
  return keeper;
}
