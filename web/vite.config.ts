import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  logLevel: "warn",
  build: {
    outDir: "../src/obtegum/webroot",
    emptyOutDir: true,
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    target: "es2022",
    chunkSizeWarningLimit: 900,
  },
});
