import { defineConfig } from "vite";

/** What the pack of cards brings along besides its own script: one plain script that fetches nothing. */
export default defineConfig({
  logLevel: "warn",
  build: {
    outDir: "../src/obtegum/exchange/pack/made",
    emptyOutDir: true,
    target: "es2020",
    lib: { entry: "src/pack/kit.ts", formats: ["iife"], name: "packKit", fileName: () => "kit.js" },
  },
});
