import { Badge, Button, ListSubheader, Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useAsked } from "./queries";

/** Where one goes to what a note is about. */
function placeOf(about: string): string {
  const [kind, id] = about.split("-");
  return kind === "entry"
    ? `/waiting/desk/${id}`
    : kind === "item"
      ? `/posted/items/${id}`
      : `/posted/customers/${id}`;
}

/** Questions that colleagues have for whoever is signed in; nothing where there are none. */
export function Asked() {
  const asked = useAsked();
  const navigate = useNavigate();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const questions = asked.data ?? [];
  if (questions.length === 0) {
    return null;
  }
  return (
    <>
      <Badge badgeContent={questions.length} color="primary">
        <Button
          color="inherit"
          aria-haspopup="menu"
          onClick={(event) => setAnchor(event.currentTarget)}
          sx={{ fontWeight: 400 }}
        >
          Asked of you
        </Button>
      </Badge>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <ListSubheader>Questions to you</ListSubheader>
        {questions.map(({ note, title }) => (
          <MenuItem
            key={note.id}
            sx={{ display: "block", whiteSpace: "normal", maxWidth: 420, fontSize: 13.5 }}
            onClick={() => {
              setAnchor(null);
              void navigate(placeOf(note.about));
            }}
          >
            <b>{title}</b>
            <br />
            {note.by}: {note.text}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
