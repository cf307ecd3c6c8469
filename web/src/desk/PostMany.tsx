import { Button } from "@mui/material";
import type { Schemas } from "../api/client";
import { grouped } from "../shared/money";

interface Props {
  group: Schemas["StandingGroup"] | undefined;
  selected: number;
  disabled: boolean;
  prepare: () => void;
}

/** The way to what is posted together: all that stands clear, or what is selected. */
export function PostMany({ group, selected, disabled, prepare }: Props) {
  return (
    <Button color="inherit" disabled={disabled} onClick={prepare} sx={{ color: "primary.main" }}>
      {selected > 0
        ? `Post ${selected} selected…`
        : `Post all clear (${group ? `${group.count.toLocaleString()} · ${grouped(group.amount)}` : "none"})…`}
    </Button>
  );
}
