import { Alert, Box, Button, Link, TextField, Typography } from "@mui/material";
import { useRef, useState } from "react";
import { useBooks } from "../access/session";
import { Choice } from "../shared/Choice";
import { atMoment } from "../shared/dates";
import { useColleagues, useNoteDone, useNotes, useWriteNote, type Note } from "./queries";

/** So many notes are shown at first, the latest ones. */
const SHOWN = 3;

/** What colleagues said of an entry, an item or a customer, and the way to say or ask something oneself. */
export function Notes({ about }: { about: string }) {
  const books = useBooks();
  const notes = useNotes(about);
  const [writing, setWriting] = useState(false);
  const [all, setAll] = useState(false);
  const found = notes.data ?? [];
  const shown = all ? found : found.slice(-SHOWN);
  return (
    <Box component="section" aria-label="What colleagues said">
      {found.length > shown.length && (
        <Button color="inherit" onClick={() => setAll(true)} sx={{ px: 0, py: 0, fontWeight: 400 }}>
          {found.length - shown.length} earlier
        </Button>
      )}
      {shown.map((note) => (
        <Line key={note.id} note={note} />
      ))}
      {notes.error && (
        <Typography role="alert" variant="body2" color="error">
          {notes.error.message}
        </Typography>
      )}
      {writing ? (
        <Write about={about} close={() => setWriting(false)} />
      ) : (
        books.mayPost && (
          <Button
            color="inherit"
            onClick={() => setWriting(true)}
            sx={{ px: 0, py: 0, fontWeight: 400, color: "text.secondary" }}
          >
            Note or question…
          </Button>
        )
      )}
    </Box>
  );
}

function Line({ note }: { note: Note }) {
  const books = useBooks();
  const done = useNoteDone();
  const open = note.to && !note.doneAt;
  const mine = note.to === books.user || note.by === books.user;
  return (
    <Box
      sx={{
        borderLeft: 3,
        borderColor: open ? "primary.main" : "divider",
        pl: 1,
        py: 0.25,
        mb: 0.5,
        fontSize: 13,
      }}
    >
      <Box sx={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{note.text}</Box>
      <Box sx={{ color: "text.secondary", fontSize: 12 }}>
        {note.by}
        {note.to && ` asks ${note.to}`}, {atMoment(note.at)}
        {note.doneAt && ` · done, ${note.doneBy}`}
        {note.attachments.map((file) => (
          <Link key={file.id} href={`/api/attachments/${file.id}`} sx={{ ml: 1 }}>
            {file.name}
          </Link>
        ))}
        {open && mine && (
          <Button
            disabled={done.isPending}
            onClick={() => done.mutate(note.id)}
            sx={{ ml: 1, px: 0.5, py: 0, minWidth: 0 }}
          >
            Done
          </Button>
        )}
      </Box>
      {done.error && (
        <Typography role="alert" variant="body2" color="error">
          {done.error.message}
        </Typography>
      )}
    </Box>
  );
}

function Write({ about, close }: { about: string; close: () => void }) {
  const books = useBooks();
  const colleagues = useColleagues(true);
  const write = useWriteNote(about);
  const [text, setText] = useState("");
  const [to, setTo] = useState("");
  const [files, setFiles] = useState<File[]>([]);
  const chooser = useRef<HTMLInputElement>(null);
  const ready = text.trim() !== "" && !write.isPending;
  const go = () => {
    if (ready) {
      write.mutate(
        { text: text.trim(), to, files },
        { onSuccess: (refused) => (refused.length === 0 ? close() : setFiles([])) },
      );
    }
  };
  return (
    <Box sx={{ border: 1, borderColor: "divider", borderRadius: 1, p: 1 }}>
      <TextField
        label="Note"
        multiline
        minRows={2}
        fullWidth
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") {
            close();
          }
          if (event.key === "Enter" && event.ctrlKey) {
            event.stopPropagation();
            go();
          }
        }}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, mt: 1, flexWrap: "wrap" }}>
        <Choice
          shown
          label="Ask"
          value={to}
          options={[
            ["", "nobody"],
            ...(colleagues.data ?? [])
              .filter((c) => c.name !== books.user)
              .map((c): [string, string] => [c.name, c.fullName]),
          ]}
          choose={setTo}
        />
        <Button color="inherit" onClick={() => chooser.current?.click()} sx={{ fontWeight: 400 }}>
          {files.length === 0 ? "Attach…" : files.map((f) => f.name).join(", ")}
        </Button>
        <input
          ref={chooser}
          type="file"
          hidden
          multiple
          aria-label="Files to attach"
          accept=".pdf,.png,.jpg,.jpeg"
          onChange={(event) => setFiles([...(event.target.files ?? [])])}
        />
        <Box sx={{ flex: 1 }} />
        <Button color="inherit" onClick={close}>
          Cancel
        </Button>
        <Button variant="contained" disabled={!ready} onClick={go}>
          {to === "" ? "Keep the note" : "Ask"}
        </Button>
      </Box>
      {(write.error ?? null) && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {write.error?.message}
        </Alert>
      )}
      {write.data && write.data.length > 0 && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }} onClose={close}>
          The note is kept. {write.data.join(" ")}
        </Alert>
      )}
    </Box>
  );
}
