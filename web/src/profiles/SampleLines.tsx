import { Box, ButtonBase, Typography } from "@mui/material";
import type { Preview } from "./queries";
import { fieldWord } from "./words";

/** The file as it stands; a click on a line's number says that the headings stand there. */
export function SampleLines({ preview, headings }: { preview: Preview; headings: (line: number) => void }) {
  const { profile } = preview;
  const width = Math.max(1, ...preview.lines.map((l) => l.cells.length));
  const holds = Array.from({ length: width }, (_, column) =>
    Object.entries(profile.columns ?? {})
      .filter(([, at]) => at.includes(column + 1))
      .map(([field]) => fieldWord(field).split(",")[0])
      .join(", "),
  );
  return (
    <Box component="section" aria-label="The file as it stands">
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        The file as it stands
      </Typography>
      <Typography variant="caption" color="textSecondary">
        Choose a line by its number to say that the headings stand there.
      </Typography>
      <Box
        sx={{ overflowX: "auto", border: 1, borderColor: "divider", bgcolor: "background.paper", mt: 0.5 }}
      >
        <Box component="table" sx={{ borderCollapse: "collapse", fontSize: 12.5, minWidth: "100%" }}>
          <Box component="thead">
            <tr>
              <th />
              {holds.map((fields, column) => (
                <Box
                  component="th"
                  key={column}
                  scope="col"
                  sx={{
                    textAlign: "left",
                    px: 1,
                    pt: 0.5,
                    fontWeight: 700,
                    color: fields ? "primary.main" : "text.disabled",
                    whiteSpace: "nowrap",
                  }}
                >
                  {fields || "not read"}
                </Box>
              ))}
            </tr>
          </Box>
          <tbody>
            {preview.lines.map((line) => {
              const head = line.line === profile.headingLine;
              return (
                <Box
                  component="tr"
                  key={line.line}
                  sx={{
                    bgcolor: head ? "chosenTint" : "transparent",
                    color: line.line < (profile.headingLine ?? 0) ? "text.secondary" : "text.primary",
                    borderTop: 1,
                    borderColor: "divider",
                  }}
                >
                  <Box component="td" sx={{ p: 0, borderRight: 1, borderColor: "divider" }}>
                    <ButtonBase
                      aria-label={`Headings on line ${line.line}`}
                      aria-pressed={head}
                      onClick={() => headings(line.line)}
                      sx={{ px: 1, py: 0.4, width: "100%", fontSize: 12, color: "primary.main" }}
                    >
                      {line.line}
                    </ButtonBase>
                  </Box>
                  {Array.from({ length: width }, (_, column) => (
                    <Box
                      component="td"
                      key={column}
                      sx={{
                        px: 1,
                        py: 0.4,
                        maxWidth: 170,
                        overflow: "hidden",
                        textOverflow: "ellipsis",
                        whiteSpace: "nowrap",
                        fontWeight: head ? 700 : 400,
                      }}
                      title={line.cells[column]}
                    >
                      {line.cells[column] ?? ""}
                    </Box>
                  ))}
                </Box>
              );
            })}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}
