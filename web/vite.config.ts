import { readdirSync, readFileSync } from "node:fs";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

/** Every library and typeface that the built page holds, with the text of its licence. */
const licences = (): Plugin => ({
  name: "licences",
  generateBundle() {
    const { dependencies } = JSON.parse(readFileSync("package.json", "utf8")) as { dependencies: Record<string, string> };
    const texts = Object.keys(dependencies).map((name) => {
      const folder = `node_modules/${name}`;
      const file = readdirSync(folder).find((each) => /^licen[cs]e/i.test(each));
      if (!file) throw new Error(`${name} has no licence to ship.`);
      const { version } = JSON.parse(readFileSync(`${folder}/package.json`, "utf8")) as { version: string };
      return `${name} ${version}\n\n${readFileSync(`${folder}/${file}`, "utf8").trim()}\n`;
    });
    const source = ["Obtegum is licensed under the Apache License, Version 2.0. Its page holds:\n", ...texts].join(`\n${"-".repeat(72)}\n\n`);
    this.emitFile({ type: "asset", fileName: "assets/licences.txt", source });
  },
});

export default defineConfig({
  plugins: [react(), licences()],
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
