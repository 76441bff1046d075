import react from "@vitejs/plugin-react";
import { createServer, defineConfig, type Plugin, type UserConfig } from "vite";

/** The same in the pages and in what is rendered before: names of classes tell of no order. */
const shared = {
  resolve: { conditions: ["source", "module", "browser", "import", "default"] },
  css: { modules: { generateScopedName: "[name]_[local]_[hash:base64:5]" } },
} satisfies UserConfig;

/** Puts the shell into the HTML that is built, so that a browser shows it before it has read any code. */
function firstLook(): Plugin {
  return {
    name: "first-look",
    apply: "build",
    async transformIndexHtml(html) {
      const server = await createServer({
        ...shared,
        configFile: false,
        plugins: [react()],
        appType: "custom",
        server: { middlewareMode: true, hmr: false, ws: false, watch: null },
        optimizeDeps: { noDiscovery: true },
        logLevel: "warn",
      });
      const module = (await server.ssrLoadModule("/src/shell/first-look.tsx")) as { firstLook(): string };
      await server.close();
      return html.replace('<div id="root"></div>', `<div id="root">${module.firstLook()}</div>`);
    },
  };
}

export default defineConfig({
  ...shared,
  plugins: [react(), firstLook()],
  worker: { format: "es" },
  optimizeDeps: { include: ["highs", "comlink"] },
  build: { target: "es2023", chunkSizeWarningLimit: 1200 },
  server: { host: "127.0.0.1", proxy: { "/api": `http://127.0.0.1:${process.env["PORT"] ?? "5180"}` } },
});
