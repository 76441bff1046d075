import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ["source", "module", "browser", "import", "default"] },
  worker: { format: "es" },
  optimizeDeps: { include: ["highs", "comlink"] },
  build: { target: "es2023", chunkSizeWarningLimit: 1200 },
  server: { host: "127.0.0.1", proxy: { "/api": `http://127.0.0.1:${process.env["PORT"] ?? "5180"}` } },
});
