import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, csrfToken, data, refusalOf, type Schemas } from "../api/client";
import type { ProfileDocument } from "./words";

export type Preview = Schemas["PreviewView"];
export type Profile = Schemas["ProfileView"];

/** The profiles of the company one works in. */
export function useProfiles() {
  const books = useBooks();
  return useQuery({
    queryKey: ["profiles", books.company],
    queryFn: async () =>
      data(await api.GET("/api/profiles", { params: { query: { company: books.company } } })),
  });
}

/** What tables may be about and what their columns may hold. */
export function useSubjects() {
  return useQuery({
    queryKey: ["subjects"],
    staleTime: Infinity,
    queryFn: async () => data(await api.GET("/api/profiles/subjects")),
  });
}

/** Of a text the server looks at no more than this. */
const SAMPLE = 1024 * 1024 + 1;

/** What a sample looks like under what was said of it so far; the last answer stands until the next. */
export function usePreview(file: File, said: ProfileDocument) {
  const books = useBooks();
  return useQuery<Preview>({
    queryKey: ["profile-preview", books.company, file.name, file.size, file.lastModified, said],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () => {
      const form = new FormData();
      const workbook = /\.xls[xm]$/i.test(file.name);
      form.append("file", workbook ? file : file.slice(0, SAMPLE), file.name);
      if (Object.keys(said).length > 0) {
        form.append("profile", JSON.stringify(said));
      }
      const response = await fetch(`/api/profiles/preview?company=${books.company}`, {
        method: "POST",
        body: form,
        headers: { "X-XSRF-TOKEN": csrfToken() },
      });
      if (!response.ok) {
        throw await refusalOf(response);
      }
      return response.json();
    },
  });
}
