import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  server: { port: 5170, proxy: { "/api": "http://127.0.0.1:4170" } },
  build: { outDir: "dist", sourcemap: false, assetsInlineLimit: 0 },
});
