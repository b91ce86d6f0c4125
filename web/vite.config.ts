import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";
import { compression } from "vite-plugin-compression2";
import { constants } from "node:zlib";

/** Refuses a page that would solve circuits itself: a solver reached by some import would freeze it. Workers are built apart. */
const noSolverInThePage: Plugin = {
  name: "no-solver-in-the-page",
  generateBundle(_options, bundle) {
    for (const chunk of Object.values(bundle)) {
      const solver =
        chunk.type === "chunk" &&
        chunk.moduleIds.find((id) => /core\/src\/circuit\/network\/|core\/src\/wiring\/assign\//.test(id));
      if (solver) this.error(`${chunk.fileName} holds ${solver}: the page asks its worker instead.`);
    }
  },
};

export default defineConfig({
  plugins: [
    react(),
    noSolverInThePage,
    // Packed once, here, as small as it gets: the server sends these as they are.
    compression({
      threshold: 1_000,
      algorithms: [
        ["brotliCompress", { params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } }],
        ["gzip", { level: constants.Z_BEST_COMPRESSION }],
      ],
    }),
  ],
  server: { port: 5170, proxy: { "/api": "http://127.0.0.1:4170" } },
  build: {
    outDir: "dist",
    sourcemap: false,
    assetsInlineLimit: 0,
    // The browser test holds the first page to 250 kB of script, compressed. The warning counts it unpacked, and the PDF
    // package with its font, fetched only when a PDF is asked for, is the largest.
    chunkSizeWarningLimit: 1_000,
    rolldownOptions: {
      output: {
        // What nearly every page needs comes in a few files: on a phone each request costs more than what it brings.
        codeSplitting: {
          groups: [{ name: "ui", test: /web\/src\/(ui|theme|data)\/|core\/src\//, minShareCount: 10 }],
        },
      },
    },
  },
});
