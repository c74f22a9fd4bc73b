import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Code whose fields of a name are undefined, however deep their brackets go. */
function without(/** @type {'reply' | 'query'} */ name, /** @type {string} */ code) {
  const [first = '', ...rest] = code.split(`${name}: `);
  return rest.reduce((kept, part) => {
    let depth = 0;
    const end = part.split('').findIndex((sign) => {
      if ('([{'.includes(sign)) depth++;
      else if (')]}'.includes(sign)) depth--;
      return depth < 0 || (depth === 0 && sign === ',');
    });
    return `${kept}${name}: undefined${part.slice(end)}`;
  }, first);
}

/** The endpoint table's words, and the shapes of its queries and replies, are for its documentation and its tests, which the server has: the pages go without them. */
const withoutWhatServersKnow = {
  name: 'without-what-servers-know',
  enforce: /** @type {'pre'} */ 'pre',
  transform(code, id) {
    return /packages\/contract\/src\/.*\.endpoints\.ts$/.test(id)
      ? {
          code: without('reply', without('query', code.replace(/\b(summary|words):\s*'(?:[^'\\]|\\.)*'/g, "$1: ''"))),
          map: null,
        }
      : null;
  },
};

export default defineConfig({
  plugins: [withoutWhatServersKnow, react(), tailwindcss()],
  resolve: {
    alias: [
      // React has this itself since long; the stand-in for older ones is of no use here.
      {
        find: /^use-sync-external-store\/shim(\/index\.js)?$/,
        replacement: new URL('src/app/externalStore.ts', import.meta.url).pathname,
      },
    ],
  },
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    manifest: true,
    // What each page would fetch ahead is a list in the first page, longer with every page; imports find it themselves.
    modulePreload: { resolveDependencies: () => [] },
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      treeshake: {
        propertyReadSideEffects: false,
        manualPureFunctions: ['v', 'rangeOf', 'numberOf', 'figure', 'shown', 'maybe', 'usual', 'asked'],
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
});
