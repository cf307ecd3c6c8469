import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import type { Reason } from "../settle/words";
import {
  accountedFor,
  fromExplanation,
  fromText,
  ofAccount,
  subjectOf,
  type Choice,
  type Draft,
  type Entry,
  type HeldDraft,
} from "./drafts";
import { treated, useElsewhere, useHeld, usePreview, useRefresh, type Treat } from "./queries";
import { useDraftKeeper } from "./useDraftKeeper";

export type Work = ReturnType<typeof useWork>;

/** What one works on: a waiting entry, or a customer's account. */
export type Subject = { entry: Entry } | { account: number };

function keyOf(subject: Subject): string {
  return "entry" in subject ? `entry-${subject.entry.id}` : `account-${subject.account}`;
}

/**
 * The draft of what is chosen, as it stands between the engine, one's own hand and colleagues: an explanation until a
 * hand changes it, then kept on the server, held by one person at a time.
 */
export function useWork(subject: Subject | undefined, say: (sentence: string) => void) {
  const books = useBooks();
  const queries = useQueryClient();
  const refresh = useRefresh();
  const key = subject && keyOf(subject);
  const heldState = useHeld(key);
  const held: HeldDraft | undefined = heldState.data?.held ?? undefined;
  const mine = held === undefined || held.by === books.user;
  const [choices, setChoices] = useState<Record<string, Choice>>({});
  const [numbers, setNumbers] = useState<ReadonlyMap<number, string>>(new Map());

  const forget = (about: string, only?: Draft) =>
    setChoices((all) => {
      const known = all[about];
      if (!known || (only && !("hand" in known && known.hand === only))) {
        return all;
      }
      return Object.fromEntries(Object.entries(all).filter(([known]) => known !== about));
    });
  const keeper = useDraftKeeper(
    // once it is safe on the server, what is there counts: a colleague may take it over
    (draft) => {
      forget(subjectOf(draft), draft);
      // the control totals of a batch count what is drafted
      void queries.invalidateQueries({ queryKey: ["lockbox"] });
    },
    (sentence) => say(sentence),
  );

  const choice = key === undefined ? undefined : choices[key];
  const entry = subject && "entry" in subject ? subject.entry : undefined;
  const unexplained = entry && !accountedFor(entry) ? entry : undefined;
  const elsewhere = useElsewhere(unexplained);
  // what is kept on account for want of an item gives way to what the text names in so many words
  const named =
    unexplained && !(choice && "rank" in choice) ? fromText(unexplained, elsewhere.data ?? []) : undefined;
  const base =
    subject === undefined
      ? undefined
      : "entry" in subject
        ? (named ?? fromExplanation(subject.entry, choice && "rank" in choice ? choice.rank : 1))
        : ofAccount(subject.account);
  const draft: Draft | undefined =
    choice && "hand" in choice ? choice.hand : held && !(choice && "rank" in choice) ? held.draft : base;
  // an explanation must not flash up before it is known whether somebody has begun a draft
  const known = heldState.data !== undefined || heldState.error !== null;
  const ready = key === undefined || (known && !(unexplained && elsewhere.isPending));
  const preview = usePreview(ready ? draft : undefined);
  const mayChange = books.mayPost && mine;

  const change = (made: Draft, more?: ReadonlyMap<number, string>) => {
    if (!mayChange) {
      return;
    }
    // the engine may think anew of the entry while a hand works on it; that is no reason to refuse the draft
    const hand = { ...made, entryVersion: undefined, explanation: undefined };
    if (more) {
      setNumbers((known) => new Map([...known, ...more]));
    }
    setChoices((all) => ({ ...all, [subjectOf(hand)]: { hand } }));
    keeper.keep(hand);
  };

  const discard = async (about: string) => {
    await keeper.drop(about);
    await api.DELETE("/api/drafts/{subject}", { params: { path: { subject: about } } });
    await queries.cancelQueries({ queryKey: ["held", about] });
    queries.setQueryData(["held", about], { held: null });
    void queries.invalidateQueries({ queryKey: ["drafts"] });
  };
  const attempted = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      say((error as Error).message);
    }
  };

  return {
    draft: ready ? draft : undefined,
    preview,
    held,
    /** Whether the draft is what the text names elsewhere, and no hand has changed it. */
    named: named !== undefined && draft === named,
    unsent: choice !== undefined && "hand" in choice,
    mine,
    mayChange,
    numbers,
    change,
    chooseRank(rank: number) {
      if (!subject || !("entry" in subject) || !subject.entry.proposals[rank - 1] || !mine || !key) {
        return;
      }
      setChoices((all) => ({ ...all, [key]: { rank } }));
      if (held || (choice && "hand" in choice)) {
        void attempted(() => discard(key));
      }
    },
    startOver() {
      if (key) {
        forget(key);
        void attempted(() => discard(key));
      }
    },
    takeOver() {
      void attempted(async () => {
        const subjectNow = key ?? "";
        const taken = data(
          await api.POST("/api/drafts/{subject}/holder", { params: { path: { subject: subjectNow } } }),
        );
        queries.setQueryData(["held", subjectNow], { held: taken });
        void queries.invalidateQueries({ queryKey: ["drafts"] });
      });
    },
    handOver(note: string) {
      void attempted(async () => {
        if (!draft || !key) {
          return;
        }
        // what the engine explained is no draft of anybody's until it is handed over
        keeper.keep(draft);
        await keeper.settle(key);
        const handed = data(
          await api.POST("/api/drafts/{subject}/handing", {
            params: { path: { subject: key } },
            body: { note },
          }),
        );
        queries.setQueryData(["held", key], { held: handed });
        void queries.invalidateQueries({ queryKey: ["drafts"] });
      });
    },
    async decide(approved: boolean, note: string): Promise<boolean> {
      try {
        data(
          await api.POST("/api/drafts/{subject}/verdict", {
            params: { path: { subject: key ?? "" } },
            body: { approved, note },
          }),
        );
        void refresh();
        return true;
      } catch (error) {
        say((error as Error).message);
        void refresh();
        return false;
      }
    },
    async treat(kind: Treat, reason?: Reason) {
      if (draft && mayChange) {
        await attempted(async () => change((await treated(draft, kind, reason)).draft));
      }
    },
    /** Before a post: nothing may follow it. */
    async stopKeeping() {
      if (key) {
        await keeper.drop(key);
      }
    },
    posted() {
      if (key) {
        forget(key);
        queries.setQueryData(["held", key], { held: null });
      }
    },
  };
}
