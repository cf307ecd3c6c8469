import { Box } from "@mui/material";
import type { Schemas } from "../api/client";

type Group = Schemas["Reliability"];

const SIZE = 240;
const EDGE = 34;

/** So far a probability says what comes true: each dot a group of receipts; on the line, what was said is what came. */
export function Reliability({ groups }: { groups: Group[] }) {
  const at = (share: number) => EDGE + share * SIZE;
  const up = (share: number) => EDGE + (1 - share) * SIZE;
  const most = Math.max(1, ...groups.map((g) => g.receipts));
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${SIZE + 2 * EDGE} ${SIZE + 2 * EDGE}`}
      role="img"
      aria-label={`What was said against what came: ${groups.map(said).join("; ")}`}
      sx={{ width: SIZE + 2 * EDGE, maxWidth: "100%", color: "text.secondary", fontSize: 11 }}
    >
      <line x1={at(0)} y1={up(0)} x2={at(1)} y2={up(1)} stroke="currentColor" strokeDasharray="3 3" />
      <path d={`M${at(0)} ${up(1)}V${up(0)}H${at(1)}`} fill="none" stroke="currentColor" />
      {[0, 0.5, 1].map((tick) => (
        <g key={tick} fill="currentColor">
          <text x={at(tick)} y={up(0) + 16} textAnchor="middle">
            {tick * 100}
          </text>
          <text x={at(0) - 6} y={up(tick) + 4} textAnchor="end">
            {tick * 100}
          </text>
        </g>
      ))}
      <text x={at(0.5)} y={up(0) + 30} textAnchor="middle" fill="currentColor">
        said, in 100
      </text>
      <text
        transform={`translate(${EDGE - 24} ${up(0.5)}) rotate(-90)`}
        textAnchor="middle"
        fill="currentColor"
      >
        came true, in 100
      </text>
      {groups.map((group) => (
        <Box
          key={group.to}
          component="circle"
          cx={at(group.said)}
          cy={up(group.right / group.receipts)}
          r={4 + 8 * Math.sqrt(group.receipts / most)}
          sx={{ fill: (theme) => theme.palette.settledTint, stroke: (theme) => theme.palette.settled }}
        >
          <title>{said(group)}</title>
        </Box>
      ))}
    </Box>
  );
}

function said({ receipts, said: probability, right }: Group): string {
  return `${receipts.toLocaleString()} at ${(probability * 100).toFixed(1)} in 100, ${right.toLocaleString()} right`;
}
