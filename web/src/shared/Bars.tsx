import { Box, useTheme } from "@mui/material";
import { BarChart } from "@mui/x-charts/BarChart";

export interface BarSeries {
  name: string;
  values: number[];
  /** As what the bars are drawn: what came, or what is settled. */
  drawn?: "came" | "settled";
}

interface Props {
  /** What the picture shows; the figures stand beside it for whoever cannot see it. */
  label: string;
  names: string[];
  series: BarSeries[];
  height?: number;
  /** Bars that lie, with long names before them. */
  lying?: boolean;
  /** Whether the bars count things, of which there are no parts. */
  counts?: boolean;
  /** What a bar says of its figure. */
  say: (value: number) => string;
  /** A bar was pressed. */
  pick?: (bar: number, series: number) => void;
}

const short = new Intl.NumberFormat(undefined, { notation: "compact", maximumFractionDigits: 1 });

/** Bars in ink: what came stands in sand, what is settled in blue-black. */
export function Bars({ label, names, series, height = 190, lying, counts, say, pick }: Props) {
  const { palette } = useTheme();
  const colors = { came: palette.mode === "dark" ? "#8A7F6C" : "#BFB29B", settled: palette.settled };
  const band = { scaleType: "band" as const, data: names, tickLabelStyle: { fontSize: 11 } };
  const scale = {
    valueFormatter: (value: number) => short.format(value),
    tickLabelStyle: { fontSize: 11 },
    min: Math.min(0, ...series.flatMap((s) => s.values)),
    tickNumber: 4,
    tickMinStep: counts ? 1 : undefined,
  };
  return (
    <Box role="img" aria-label={label} sx={{ "& .MuiBarElement-root": { cursor: pick && "pointer" } }}>
      <BarChart
        height={height}
        layout={lying ? "horizontal" : "vertical"}
        xAxis={[lying ? scale : band]}
        yAxis={[lying ? { ...band, width: 128 } : { ...scale, width: 44 }]}
        series={series.map((s, n) => ({
          id: String(n),
          data: s.values,
          label: s.name,
          color: colors[s.drawn ?? "settled"],
          valueFormatter: (value: number | null) => say(value ?? 0),
        }))}
        grid={lying ? { vertical: true } : { horizontal: true }}
        hideLegend={series.length === 1}
        skipAnimation
        margin={{ left: 4, right: 12, top: 8, bottom: 4 }}
        slotProps={{ legend: { sx: { fontSize: 12 } } }}
        onItemClick={
          pick &&
          ((_, item) => {
            if (item.dataIndex !== undefined) {
              pick(item.dataIndex, Number(item.seriesId));
            }
          })
        }
      />
    </Box>
  );
}
