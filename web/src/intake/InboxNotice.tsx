import { Box, Button } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { useRefresh } from "../desk/queries";
import { atMoment } from "../shared/dates";

const EVERY = 5_000;

/** Where the watched folder is, and which of its files were set apart. */
export function InboxNotice() {
  const books = useBooks();
  const refresh = useRefresh();
  const inbox = useQuery({
    queryKey: ["inbox"],
    refetchInterval: EVERY,
    queryFn: async () => data(await api.GET("/api/inbox")),
  });
  const seen = useMutation({
    mutationFn: async (id: number) =>
      data(await api.DELETE("/api/inbox/set-apart/{id}", { params: { path: { id } } })),
    onSettled: refresh,
  });
  if (!inbox.data?.folder) {
    return null;
  }
  return (
    <Box sx={{ fontSize: 13, color: "text.secondary", mt: 1 }}>
      Files put into{" "}
      <Box component="span" className="figure" sx={{ overflowWrap: "anywhere" }}>
        {inbox.data.folder}
      </Box>{" "}
      are taken in by themselves.
      {inbox.data.setApart.map((file) => (
        <Box
          key={file.id}
          sx={{
            borderLeft: 4,
            borderColor: "error.main",
            color: "text.primary",
            pl: 1.5,
            py: 0.5,
            mt: 1,
            display: "flex",
            alignItems: "flex-start",
            gap: 2,
          }}
        >
          <Box sx={{ flex: 1, whiteSpace: "pre-line", overflowWrap: "anywhere" }}>
            <strong>{file.fileName}</strong>, set apart {atMoment(file.at)}: {file.report.trim()}
          </Box>
          {books.mayPost && (
            <Button disabled={seen.isPending} onClick={() => seen.mutate(file.id)}>
              Seen to
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
