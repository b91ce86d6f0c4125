import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  server: { port: 5170, proxy: { "/api": "http://127.0.0.1:4170" } },
  build: {
    outDir: "dist",
    sourcemap: false,
    assetsInlineLimit: 0,
    // The browser test holds the first page to 250 kB of script, compressed. The warning counts it unpacked, and the PDF
    // package with its font, fetched only when a PDF is asked for, is the largest.
    chunkSizeWarningLimit: 1_000,
  },
});
