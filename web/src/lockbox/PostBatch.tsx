import { Box, FormControlLabel, Radio, RadioGroup, TextField, Typography } from "@mui/material";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useSession } from "../access/session";
import { AskDialog } from "../shared/AskDialog";
import { count } from "../shared/dates";
import { grouped, isZero } from "../shared/money";
import { usePostBatch, type Batch } from "./queries";
import { batchName } from "./words";

/** Asks once before what is ready of a batch is posted, now or at a time. */
export function PostBatch({ batch, close }: { batch: Batch; close: () => void }) {
  const navigate = useNavigate();
  const today = useSession().data?.businessDate ?? "";
  const key = useRef(crypto.randomUUID());
  const [later, setLater] = useState(false);
  const [time, setTime] = useState(`${today}T17:00`);
  const post = usePostBatch(batch.batch.id);
  const { ready, staying, groups } = batch;
  const short = groups.find((g) => g.state === "SHORT");
  const go = () =>
    post.mutate(
      { key: key.current, notBefore: later ? time : undefined },
      { onSuccess: (run) => (run.state === "RUNNING" ? void navigate(`/posted/runs/${run.id}`) : close()) },
    );
  return (
    <AskDialog
      title={`Post ${batchName(batch.batch)}`}
      error={post.error}
      doing={`${batch.needsRelease ? "Ask to release" : "Post"} ${ready.cheques.toLocaleString()} · ${grouped(ready.amount)}`}
      ready={!post.isPending && (!later || time !== "")}
      go={go}
      close={close}
    >
      <Typography sx={{ mb: 1 }}>
        {count(ready.cheques, "cheque")} with {grouped(ready.amount)} {ready.amount.currency}{" "}
        {ready.cheques === 1 ? "is" : "are"} posted in one run, each on its own.
      </Typography>
      {short && (
        <Typography sx={{ mb: 1 }}>
          {count(short.cheques, "cheque")} of these {short.cheques === 1 ? "pays" : "pay"} less than is open;
          what is not paid stays owing.
        </Typography>
      )}
      <Typography sx={{ mb: 1 }} color={isZero(staying.amount) ? "textSecondary" : undefined}>
        {staying.cheques === 0
          ? "Nothing of the batch is left after that."
          : `${count(staying.cheques, "cheque")} with ${grouped(staying.amount)} ${staying.cheques === 1 ? "stays" : "stay"} in the batch: not explained yet, or a colleague’s draft.`}
      </Typography>
      {batch.needsRelease && (
        <Typography sx={{ mb: 1 }}>
          The policy asks for a second person: nothing is posted until a colleague releases it.
        </Typography>
      )}
      <RadioGroup
        aria-label="When"
        value={later ? "later" : "now"}
        onChange={(_, value) => setLater(value === "later")}
      >
        <FormControlLabel
          value="now"
          control={<Radio size="small" />}
          label={batch.needsRelease ? "as soon as it is released" : "now"}
        />
        <Box sx={{ display: "flex", alignItems: "center" }}>
          <FormControlLabel value="later" control={<Radio size="small" />} label="not before" />
          <TextField
            type="datetime-local"
            value={time}
            disabled={!later}
            onChange={(event) => setTime(event.target.value)}
            slotProps={{ htmlInput: { "aria-label": "Not before" } }}
          />
        </Box>
      </RadioGroup>
    </AskDialog>
  );
}
