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
  test: { environment: "jsdom", globals: false },
});
