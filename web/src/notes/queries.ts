import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, csrfToken, data, refusalOf, type Schemas } from "../api/client";
import { useBooks } from "../access/session";

export type Note = Schemas["NoteView"];

const OTHERS_WORK = 5_000;

export function useNotes(about: string) {
  return useQuery({
    queryKey: ["notes", about],
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/notes", { params: { query: { about } } })),
  });
}

/** Questions to oneself. */
export function useAsked() {
  return useQuery({
    queryKey: ["notes", "asked"],
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/notes/asked")),
  });
}

/** What has notes, by what it is. */
export function useNoteMarks() {
  const books = useBooks();
  return useQuery({
    queryKey: ["notes", "marks", books.company],
    refetchInterval: OTHERS_WORK,
    queryFn: async () => {
      const marks = data(
        await api.GET("/api/notes/marks", { params: { query: { company: books.company } } }),
      );
      return new Map(marks.map((mark) => [mark.about, mark]));
    },
  });
}

export function useColleagues(wanted: boolean) {
  return useQuery({
    queryKey: ["colleagues"],
    enabled: wanted,
    staleTime: 60_000,
    queryFn: async () => data(await api.GET("/api/colleagues")),
  });
}

async function attach(note: number, file: File) {
  const form = new FormData();
  form.append("file", file);
  const answer = await fetch(`/api/notes/${note}/attachments`, {
    method: "POST",
    body: form,
    headers: { "X-XSRF-TOKEN": csrfToken() },
  });
  if (!answer.ok) {
    throw await refusalOf(answer);
  }
}

/** Writes a note and attaches its files; a file that is refused is told, the note stays. */
export function useWriteNote(about: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ text, to, files }: { text: string; to: string; files: File[] }) => {
      const note = data(
        await api.POST("/api/notes", { body: { about, text, to: to === "" ? undefined : to } }),
      );
      const refused: string[] = [];
      for (const file of files) {
        await attach(note.id, file).catch((error: Error) => refused.push(error.message));
      }
      return refused;
    },
    onSettled: () => void queries.invalidateQueries({ queryKey: ["notes"] }),
  });
}

export function useNoteDone() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (id: number) =>
      data(await api.POST("/api/notes/{id}/done", { params: { path: { id } } })),
    onSettled: () => void queries.invalidateQueries({ queryKey: ["notes"] }),
  });
}
