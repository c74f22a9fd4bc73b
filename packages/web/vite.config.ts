import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The endpoint table's summaries are for its documentation, which the server draws: the pages go without them. */
const withoutSummaries = {
  name: 'without-summaries',
  enforce: /** @type {'pre'} */ 'pre',
  transform(code, id) {
    return /packages\/contract\/src\/.*\.endpoints\.ts$/.test(id)
      ? { code: code.replace(/summary:\s*'(?:[^'\\]|\\.)*'/g, "summary: ''"), map: null }
      : null;
  },
};

export default defineConfig({
  plugins: [withoutSummaries, react(), tailwindcss()],
  build: { outDir: '../../dist/web', emptyOutDir: true, manifest: true, chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
});
