import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The endpoint table's summaries and the shapes of its replies are for its documentation and its tests, which the server has: the pages go without them. */
const withoutWhatServersKnow = {
  name: 'without-what-servers-know',
  enforce: /** @type {'pre'} */ 'pre',
  transform(code, id) {
    return /packages\/contract\/src\/.*\.endpoints\.ts$/.test(id)
      ? {
          code: code
            .replace(/summary:\s*'(?:[^'\\]|\\.)*'/g, "summary: ''")
            .replace(/\breply: (?:v\.(?:array|nullable)\(\w+\)|\w+),/g, 'reply: undefined,'),
          map: null,
        }
      : null;
  },
};

export default defineConfig({
  plugins: [withoutWhatServersKnow, react(), tailwindcss()],
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    manifest: true,
    // What each page would fetch ahead is a list in the first page, longer with every page; imports find it themselves.
    modulePreload: { resolveDependencies: () => [] },
    chunkSizeWarningLimit: 700,
    rolldownOptions: { treeshake: { manualPureFunctions: ['v'] } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
});
