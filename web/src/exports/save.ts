import { csrfToken, refusalOf } from "../api/client";

/** Takes a file by a call that changes something, and saves it under the name that it is given with. */
export async function takeFile(path: string, body: unknown): Promise<void> {
  const response = await fetch(path, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-XSRF-TOKEN": csrfToken() },
    body: JSON.stringify(body),
  });
  if (!response.ok) {
    throw await refusalOf(response);
  }
  const name = /filename="?([^";]+)/.exec(response.headers.get("Content-Disposition") ?? "")?.[1] ?? "file";
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await response.blob());
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
