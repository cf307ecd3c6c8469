import "@fontsource/atkinson-hyperlegible-next/latin-400.css";
import "@fontsource/atkinson-hyperlegible-next/latin-700.css";
import "@fontsource/atkinson-hyperlegible-next/latin-ext-400.css";
import "@fontsource/atkinson-hyperlegible-next/latin-ext-700.css";
import "@fontsource/atkinson-hyperlegible-mono/latin-400.css";
import "@fontsource/atkinson-hyperlegible-mono/latin-700.css";
import { CssBaseline, ThemeProvider, useMediaQuery } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, useMemo, useState } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { Refusal } from "./api/client";
import { LightContext, type Light } from "./frame/light";
import { themeFor } from "./theme";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 2_000,
      retry: (failures, error) => !(error instanceof Refusal && error.status > 0) && failures < 2,
    },
  },
});

function Root() {
  const systemDark = useMediaQuery("(prefers-color-scheme: dark)");
  const [light, setLight] = useState<Light>(
    () => (localStorage.getItem("light") as Light | null) ?? "system",
  );
  const theme = useMemo(
    () => themeFor(light === "dark" || (light === "system" && systemDark)),
    [light, systemDark],
  );
  const choose = (chosen: Light) => {
    localStorage.setItem("light", chosen);
    setLight(chosen);
  };
  return (
    <LightContext.Provider value={{ light, choose }}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </ThemeProvider>
    </LightContext.Provider>
  );
}

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Root />
      </QueryClientProvider>
    </StrictMode>,
  );
}
