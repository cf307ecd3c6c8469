import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { useRefresh } from "../desk/queries";
import { send } from "../intake/send";
import { Failed, Loading } from "../shared/States";
import { FirstRows } from "./FirstRows";
import { OurFields } from "./OurFields";
import { usePreview, useSubjects, type Preview, type Profile } from "./queries";
import { SampleLines } from "./SampleLines";
import { carriedOver, type ProfileDocument } from "./words";

interface Props {
  file: File;
  profiles: Profile[];
  close: () => void;
}

/** One sample and what is said of it: its lines on the left, our fields on the right, below what its rows become. */
export function ProfileSheet({ file, profiles, close }: Props) {
  // only what a person said; the rest is guessed anew with each answer, and what is open stays a doubt
  const [said, setSaid] = useState<ProfileDocument>({});
  const [changing, setChanging] = useState<Profile | null>(null);
  const preview = usePreview(file, said);
  const subjects = useSubjects();
  if (preview.error && !preview.data) {
    return (
      <Box sx={{ p: 2 }}>
        <Failed error={preview.error} />
        <Button sx={{ ml: 2 }} onClick={close}>
          Back to the profiles
        </Button>
      </Box>
    );
  }
  if (!preview.data || !subjects.data) {
    return <Loading />;
  }
  // what was just said shows before the answer to it is there
  const shown = { ...preview.data, profile: { ...preview.data.profile, ...said } };
  const known = profiles.find((p) => p.profile.name === shown.known);
  const near = profiles.find((p) => shown.changed.startsWith(`"${p.profile.name}":`));
  return (
    <Box sx={{ display: "flex", flexDirection: "column", height: "100%" }}>
      <Box sx={{ px: 3, pt: 2, display: "flex", alignItems: "center", gap: 2 }}>
        <Typography variant="h2" sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>
          {changing ? `“${changing.profile.name}”, with ${file.name}` : `What is ${file.name}?`}
        </Typography>
        <Button onClick={close}>Back to the profiles</Button>
      </Box>
      <Box sx={{ px: 3 }}>
        {preview.error && (
          <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
            {preview.error.message}
          </Alert>
        )}
        {!changing && known && (
          <Offer
            sentence={`Files with these headings are read by “${known.profile.name}” already.`}
            action="Change that profile"
            take={() => {
              setChanging(known);
              setSaid(known.profile);
            }}
          />
        )}
        {!changing && near && (
          <Offer
            sentence={`The columns have changed. This is nearly ${shown.changed}.`}
            action="Carry that profile over"
            take={() => {
              setChanging(near);
              setSaid(carriedOver(near.profile, shown.profile.headings ?? []));
            }}
          />
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 3, px: 3, py: 1.5, flex: 1, minHeight: 0 }}>
        <Box
          sx={{ flex: 1, minWidth: 0, display: "flex", flexDirection: "column", gap: 2, overflow: "auto" }}
        >
          <SampleLines
            preview={shown}
            headings={(line) => setSaid({ ...writing(said, shown), headingLine: line })}
          />
          <FirstRows preview={shown} />
        </Box>
        <Box sx={{ width: 372, flexShrink: 0, overflow: "auto", pr: 0.5 }}>
          <OurFields
            profile={shown.profile}
            words={shown.words}
            subject={subjects.data.find((s) => s.word === shown.profile.subject)}
            say={(more) => setSaid((before) => ({ ...before, ...more }))}
            sayAnew={(more) => setSaid({ ...writing(said, shown), ...more })}
          />
          <Keep
            key={changing?.id ?? "new"}
            preview={preview.data}
            file={file}
            changing={changing}
            renewing={preview.isFetching}
          />
        </Box>
      </Box>
    </Box>
  );
}

/** What stays said when the file is cut into cells anew, which makes other columns. */
function writing(said: ProfileDocument, { profile }: Preview): ProfileDocument {
  return {
    ...(said.subject && { subject: said.subject }),
    ...(profile.sheet
      ? { sheet: profile.sheet }
      : { separator: profile.separator, characterSet: profile.characterSet }),
    constants: said.constants,
    passOverIncomplete: said.passOverIncomplete,
  };
}

function Offer({ sentence, action, take }: { sentence: string; action: string; take: () => void }) {
  return (
    <Alert
      severity="info"
      icon={false}
      variant="outlined"
      sx={{ mt: 1, borderColor: "primary.main" }}
      action={<Button onClick={take}>{action}</Button>}
    >
      {sentence}
    </Alert>
  );
}

/** Stays in sight below the fields. */
const AT_HAND = { mt: 2, position: "sticky", bottom: 0, bgcolor: "background.default", pt: 1 } as const;

function Keep({
  preview,
  file,
  changing,
  renewing,
}: {
  preview: Preview;
  file: File;
  changing: Profile | null;
  renewing: boolean;
}) {
  const books = useBooks();
  const queries = useQueryClient();
  const refresh = useRefresh();
  const navigate = useNavigate();
  const [name, setName] = useState(changing?.profile.name ?? "");
  const keep = useMutation({
    mutationFn: async () => {
      const profile = { ...preview.profile, name };
      return changing
        ? data(
            await api.PUT("/api/profiles/{id}", {
              params: { path: { id: changing.id } },
              body: { profile, version: changing.version },
            }),
          )
        : data(
            await api.POST("/api/profiles", {
              params: { query: { company: books.company } },
              body: profile,
            }),
          );
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["profiles"] }),
  });
  const takeIn = useMutation({
    mutationFn: async () => {
      const outcome = await send(file, books.company, { profile: name.trim() }).outcome;
      if (outcome.refusal) {
        throw outcome.refusal;
      }
    },
    onSuccess: async () => {
      await refresh();
      await navigate("/arrived/intake");
    },
  });
  const open = preview.doubts.length;
  if (keep.isSuccess) {
    return (
      <Box sx={{ ...AT_HAND, pb: 1 }}>
        <Typography role="status" sx={{ mb: 1 }}>
          Kept as “{keep.data.profile.name}”. Files with these headings are known from now on.
        </Typography>
        {takeIn.error && (
          <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
            {takeIn.error.message}
          </Alert>
        )}
        <Button variant="contained" disabled={takeIn.isPending} onClick={() => takeIn.mutate()}>
          Take {file.name} in
        </Button>
      </Box>
    );
  }
  return (
    <Box
      component="form"
      sx={AT_HAND}
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      {keep.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {keep.error.message}
        </Alert>
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          label="Name of the profile"
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 100 } }}
          sx={{ flex: 1 }}
        />
        <Button
          type="submit"
          variant="contained"
          disabled={open > 0 || name.trim() === "" || keep.isPending || renewing}
        >
          Keep
        </Button>
      </Box>
      {open > 0 && (
        <Typography variant="caption" color="textSecondary">
          It can be kept once nothing is open any more.
        </Typography>
      )}
    </Box>
  );
}
