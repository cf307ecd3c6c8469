import { createTheme } from "@mui/material";

declare module "@mui/material/styles" {
  interface Palette {
    settled: string;
    settledTint: string;
    chosenTint: string;
    sunk: string;
  }
  interface PaletteOptions {
    settled?: string;
    settledTint?: string;
    chosenTint?: string;
    sunk?: string;
  }
}

const words = '"Atkinson Hyperlegible Next", "Atkinson Hyperlegible", sans-serif';
export const figures = '"Atkinson Hyperlegible Mono", ui-monospace, monospace';

const paper = {
  mode: "light" as const,
  primary: { main: "#B4530A", contrastText: "#FFFFFF" },
  error: { main: "#B3261E" },
  warning: { main: "#B4530A" },
  background: { default: "#FBF8F3", paper: "#FFFEFB" },
  text: { primary: "#22252B", secondary: "#5C5A55", disabled: "#767169" },
  divider: "#D9D2C5",
  settled: "#2B3A67",
  settledTint: "#DDE1EB",
  chosenTint: "#F8E9DC",
  sunk: "#F4EFE6",
};

const ink = {
  mode: "dark" as const,
  primary: { main: "#F0A063", contrastText: "#23160B" },
  error: { main: "#F2B8B5" },
  warning: { main: "#F0A063" },
  background: { default: "#1A1C20", paper: "#212429" },
  text: { primary: "#EDE8DF", secondary: "#B9B3A7", disabled: "#918B80" },
  divider: "#3D4148",
  settled: "#A9B9EC",
  settledTint: "#303850",
  chosenTint: "#3A2C20",
  sunk: "#17191C",
};

/** Paper and ink: one accent for what can be pressed or is chosen, blue-black for money that is settled. */
export function themeFor(dark: boolean) {
  const palette = dark ? ink : paper;
  return createTheme({
    palette,
    shape: { borderRadius: 4 },
    // nothing fades: what can be pressed looks so at once
    transitions: { create: () => "none" },
    typography: {
      fontFamily: words,
      fontSize: 13,
      h1: { fontSize: 22, fontWeight: 700 },
      h2: { fontSize: 17, fontWeight: 700 },
      h3: { fontSize: 15, fontWeight: 700 },
      body1: { fontSize: 14 },
      body2: { fontSize: 13 },
      caption: { fontSize: 12 },
      button: { textTransform: "none", fontWeight: 600 },
    },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontSize: 14 },
          ".figure": { fontFamily: figures, fontVariantNumeric: "tabular-nums", whiteSpace: "nowrap" },
          ":focus-visible": { outline: `2px solid ${palette.primary.main}`, outlineOffset: 1 },
        },
      },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: { defaultProps: { disableElevation: true, size: "small" } },
      MuiPaper: { defaultProps: { elevation: 0 } },
      MuiTableCell: {
        styleOverrides: {
          root: { padding: "6px 8px", borderColor: palette.divider, fontSize: 13 },
          head: { color: palette.text.secondary, fontWeight: 400, fontSize: 12, background: "transparent" },
        },
      },
      MuiTextField: { defaultProps: { size: "small" } },
      MuiInputLabel: {
        styleOverrides: {
          outlined: { "&:not(.MuiInputLabel-shrink)": { transform: "translate(11px, 7px) scale(1)" } },
        },
      },
      MuiOutlinedInput: { styleOverrides: { input: { padding: "6px 10px", fontSize: 13 } } },
      // the next key must not wait for a dialog to fade
      MuiDialog: { defaultProps: { transitionDuration: 0 } },
      MuiPopover: { defaultProps: { transitionDuration: 0 } },
      MuiMenu: { defaultProps: { transitionDuration: 0 } },
      MuiAlert: { styleOverrides: { root: { color: palette.text.primary } } },
      MuiTooltip: { defaultProps: { arrow: true } },
    },
  });
}
