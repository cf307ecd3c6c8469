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
    setupFiles: ["src/testSetup.ts"],
    // the files of a worker share its page and its modules, which take as long to make as the tests to run
    isolate: false,
    // a busy machine may take many times as long as an idle one
    testTimeout: 120_000,
    pool: "threads",
    // left alone, a machine of two cores would be given one worker
    maxWorkers: 2,
    // packed into few files the large packages load three times as fast
    deps: {
      optimizer: {
        client: {
          enabled: true,
          include: [
            "@emotion/cache",
            "@emotion/react",
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
