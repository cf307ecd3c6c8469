import {
  Alert,
  Box,
  Button,
  Link,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useBooks } from "../access/session";
import { api, csrfToken, refusalOf } from "../api/client";
import { atMoment } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { ProfileSheet } from "./ProfileSheet";
import { useProfiles, type Profile } from "./queries";
import { nextSample } from "./sample";
import { SUBJECTS } from "./words";

/** How the tables of other systems are read: explained once, by example, and known again after that. */
export default function ProfilesView() {
  const books = useBooks();
  const profiles = useProfiles();
  const [sample, setSample] = useState<File | null>(nextSample);
  const picker = useRef<HTMLInputElement>(null);
  if (sample) {
    return (
      <ProfileSheet
        key={`${sample.name} ${sample.lastModified}`}
        file={sample}
        profiles={profiles.data ?? []}
        close={() => setSample(null)}
      />
    );
  }
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Box sx={{ display: "flex", alignItems: "flex-start", gap: 2, mb: 2 }}>
        <Box sx={{ flex: 1 }}>
          <Typography variant="h1">Profiles</Typography>
          <Typography variant="body2" color="textSecondary">
            A table whose headings do not say beyond doubt what they hold is explained here once, by an
            example. The next file with these headings is read the same way, wherever they stand in it.
          </Typography>
        </Box>
        {books.mayPost && (
          <>
            <TakeProfile />
            <Button variant="contained" size="medium" onClick={() => picker.current?.click()}>
              Explain a file…
            </Button>
            <input
              ref={picker}
              type="file"
              hidden
              aria-label="Sample to explain"
              accept=".csv,.txt,.tsv,.xlsx,text/*"
              onChange={(event) => {
                setSample(event.target.files?.[0] ?? null);
                event.target.value = "";
              }}
            />
          </>
        )}
      </Box>
      {profiles.isPending && <Loading />}
      {profiles.error && <Failed error={profiles.error} retry={() => void profiles.refetch()} />}
      {profiles.data?.length === 0 && (
        <Empty title="No profile yet">
          Most files need none. Where one is refused because its columns are not clear, explain it here.
        </Empty>
      )}
      {profiles.data && profiles.data.length > 0 && <Known profiles={profiles.data} />}
    </Box>
  );
}

function Known({ profiles }: { profiles: Profile[] }) {
  const books = useBooks();
  const queries = useQueryClient();
  const [asked, setAsked] = useState<number | null>(null);
  const forget = useMutation({
    mutationFn: async (id: number) => {
      await api.DELETE("/api/profiles/{id}", { params: { path: { id } } });
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ["profiles"] }),
  });
  return (
    <>
      {forget.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
          {forget.error.message}
        </Alert>
      )}
      <Table size="small" aria-label="Profiles">
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell>Holds</TableCell>
            <TableCell>Known by its headings</TableCell>
            <TableCell>Changed</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {profiles.map(({ id, profile, changedAt, changedBy }) => (
            <TableRow key={id}>
              <TableCell sx={{ fontWeight: 700 }}>{profile.name}</TableCell>
              <TableCell>{SUBJECTS.find(([word]) => word === profile.subject)?.[1]}</TableCell>
              <TableCell sx={{ color: "text.secondary", overflowWrap: "anywhere" }}>
                {profile.headings?.length ? profile.headings.join(", ") : "none; chosen by hand"}
              </TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {atMoment(changedAt)}, {changedBy}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                <Link href={`/api/profiles/${id}/file`} download sx={{ mr: 1 }}>
                  Save as YAML
                </Link>
                {books.mayPost &&
                  (asked === id ? (
                    <Button
                      variant="contained"
                      disabled={forget.isPending}
                      onClick={() => forget.mutate(id)}
                      onBlur={() => setAsked(null)}
                    >
                      Forget “{profile.name}”
                    </Button>
                  ) : (
                    <Button aria-label={`Forget ${profile.name}…`} onClick={() => setAsked(id)}>
                      Forget…
                    </Button>
                  ))}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </>
  );
}

/** A profile that was saved elsewhere. */
function TakeProfile() {
  const books = useBooks();
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const take = useMutation({
    mutationFn: async (file: File) => {
      const form = new FormData();
      form.append("file", file);
      const response = await fetch(`/api/profiles/file?company=${books.company}`, {
        method: "POST",
        body: form,
        headers: { "X-XSRF-TOKEN": csrfToken() },
      });
      if (!response.ok) {
        throw await refusalOf(response);
      }
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["profiles"] }),
  });
  return (
    <Box sx={{ maxWidth: 360 }}>
      <Button size="medium" onClick={() => picker.current?.click()}>
        From a YAML file…
      </Button>
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="Profile as YAML"
        accept=".yml,.yaml"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) {
            take.mutate(file);
          }
          event.target.value = "";
        }}
      />
      {take.error && (
        <Alert severity="error" variant="outlined">
          {take.error.message}
        </Alert>
      )}
    </Box>
  );
}
