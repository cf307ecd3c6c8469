import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: "target/classes/static",
    emptyOutDir: true,
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
  },
  server: { proxy: { "/api": "http://localhost:8080", "/v3": "http://localhost:8080" } },
  test: {
    environment: "jsdom",
    globals: false,
    // a busy machine may take several times as long as an idle one
    testTimeout: 60_000,
    pool: "threads",
    // left alone, a machine of two cores would be given one worker
    maxWorkers: 2,
    // each file has modules of its own; packed into few files the large packages load three times as fast
    deps: {
      optimizer: {
        client: {
          enabled: true,
          include: [
            "@mui/material",
            "@tanstack/react-query",
            "@testing-library/react",
            "@testing-library/user-event",
            "react-router",
          ],
        },
      },
    },
  },
});
