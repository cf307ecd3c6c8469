import { Checkbox, FormControlLabel, FormGroup, Typography } from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas } from "../api/client";
import { AskDialog } from "../shared/AskDialog";
import { useBooks } from "./session";

/** In which companies a user sees and posts: in all, also those to come, or in those that are ticked. */
export function WorksIn({ user, close }: { user: Schemas["UserView"]; close: () => void }) {
  const { group } = useBooks();
  const queries = useQueryClient();
  const [every, setEvery] = useState(!user.companies);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set(user.companies ?? []));
  const save = useMutation({
    mutationFn: async () =>
      api.PUT("/api/users/{user}/companies", {
        params: { path: { user: user.user } },
        body: { companies: every ? undefined : [...ticked] },
      }),
    onSuccess: async () => {
      close();
      await queries.invalidateQueries();
    },
  });
  const tick = (id: number, on: boolean) =>
    setTicked((all) => new Set(on ? [...all, id] : [...all].filter((one) => one !== id)));
  return (
    <AskDialog
      title={`Where ${user.user} works`}
      error={save.error}
      doing="Save; his sessions end"
      ready={(every || ticked.size > 0) && !save.isPending}
      go={() => save.mutate()}
      close={close}
    >
      <FormGroup>
        <FormControlLabel
          control={<Checkbox checked={every} onChange={(_, on) => setEvery(on)} />}
          label="In all companies, also those to come"
        />
        {!every &&
          group.map((c) => (
            <FormControlLabel
              key={c.id}
              control={<Checkbox checked={ticked.has(c.id)} onChange={(_, on) => tick(c.id, on)} />}
              label={c.name}
            />
          ))}
      </FormGroup>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        He sees and posts nowhere else. One receipt over several companies is posted, and taken back, by
        whoever works in all of them.
      </Typography>
    </AskDialog>
  );
}
