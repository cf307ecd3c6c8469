import { Box } from "@mui/material";
import { Refusal } from "../api/client";

const MOST = 8;

/** What is wrong with a file or a text, line by line, where there is more than one thing. */
export function ProblemLines({ error }: { error?: Error | null }) {
  const problems = error instanceof Refusal ? error.problems : [];
  if (problems.length < 2) {
    return null;
  }
  return (
    <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2 }}>
      {problems.slice(0, MOST).map((problem, n) => (
        <li key={n}>
          {problem.line > 0 && `Line ${problem.line}: `}
          {problem.message}
        </li>
      ))}
    </Box>
  );
}
