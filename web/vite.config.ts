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
  // a busy machine may take several times as long as an idle one
  test: { environment: "jsdom", globals: false, testTimeout: 30_000 },
});
