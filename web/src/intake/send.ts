import { api, csrfToken, Refusal, refusalOf, type Schemas } from "../api/client";

export type Intake = Schemas["IntakeView"];

/** What became of one file. */
export interface Outcome {
  file: File;
  intake?: Intake;
  refusal?: Refusal;
}

/** How far one file is: bytes while it is sent, records after that. */
export interface Progress {
  phase: "SENDING" | "READING" | "KEEPING";
  done: number;
  /** 0 while it is not known. */
  total: number;
}

const UNREACHABLE = "The server cannot be reached; nothing was kept. Try again.";
const STOPPED = "You stopped it; nothing of the file was kept.";
const EVERY = 500;

/** One file on its way. */
export interface Sending {
  outcome: Promise<Outcome>;
  /** Stops it; nothing of the file is kept. */
  stop: () => void;
}

/** Sends one file; nothing of it is kept where it is refused or stopped. */
export function send(
  file: File,
  company: number,
  { bankAccount = "", profile = "", around = false } = {},
  tell: (progress: Progress) => void = () => undefined,
): Sending {
  const run = crypto.randomUUID();
  const query = new URLSearchParams({ company: String(company), run });
  if (bankAccount) {
    query.set("bankAccount", bankAccount);
  }
  if (profile) {
    query.set("profile", profile);
  }
  if (around) {
    query.set("around", "true");
  }
  // the older way, because it tells how much of a large file is sent
  const call = new XMLHttpRequest();
  let sent = false;
  const follow = window.setInterval(() => {
    if (sent) {
      void api
        .GET("/api/intakes/running/{run}", { params: { path: { run } } })
        .then(({ data }) => data && call.readyState !== XMLHttpRequest.DONE && tell(data as Progress))
        .catch(() => undefined);
    }
  }, EVERY);
  const outcome = new Promise<Outcome>((resolve) => {
    const end = (result: Omit<Outcome, "file">) => {
      window.clearInterval(follow);
      resolve({ file, ...result });
    };
    call.open("POST", `/api/intakes?${query}`);
    call.setRequestHeader("X-XSRF-TOKEN", csrfToken());
    call.upload.onprogress = (event) =>
      tell({ phase: "SENDING", done: event.loaded, total: event.lengthComputable ? event.total : 0 });
    call.upload.onload = () => {
      sent = true;
      tell({ phase: "READING", done: 0, total: 0 });
    };
    call.onabort = () => end({ refusal: new Refusal(0, "STOPPED", STOPPED) });
    call.onerror = () => end({ refusal: new Refusal(0, "UNREACHABLE", UNREACHABLE) });
    call.onload = () => {
      const answer = new Response(call.responseText, { status: call.status });
      if (call.status === 201) {
        void answer.json().then((intake: Intake) => end({ intake }));
      } else {
        void refusalOf(answer).then((refusal) => end({ refusal }));
      }
    };
    const form = new FormData();
    form.append("file", file);
    call.send(form);
  });
  return {
    outcome,
    stop: () => {
      if (sent) {
        void api.DELETE("/api/intakes/running/{run}", { params: { path: { run } } }).catch(() => undefined);
      } else {
        call.abort();
      }
    },
  };
}
