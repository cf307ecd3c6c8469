import { csrfToken, Refusal, refusalOf, type Schemas } from "../api/client";

/** What became of one file. */
export interface Outcome {
  file: File;
  intake?: Schemas["IntakeView"];
  refusal?: Refusal;
}

/** Sends one file; nothing of it is kept where it is refused. */
export async function send(
  file: File,
  company: number,
  { bankAccount = "", profile = "" } = {},
): Promise<Outcome> {
  const form = new FormData();
  form.append("file", file);
  const query = new URLSearchParams({ company: String(company) });
  if (bankAccount) {
    query.set("bankAccount", bankAccount);
  }
  if (profile) {
    query.set("profile", profile);
  }
  try {
    const response = await fetch(`/api/intakes?${query}`, {
      method: "POST",
      body: form,
      headers: { "X-XSRF-TOKEN": csrfToken() },
    });
    if (!response.ok) {
      return { file, refusal: await refusalOf(response) };
    }
    return { file, intake: await response.json() };
  } catch {
    return {
      file,
      refusal: new Refusal(0, "UNREACHABLE", "The server cannot be reached; nothing was kept. Try again."),
    };
  }
}
