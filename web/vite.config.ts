import react from '@vitejs/plugin-react';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { defineConfig, type Plugin } from 'vite';

// Lists the files that a family's page needs and writes them into sw.js, so
// that the service worker can keep exactly these on the phone. See
// docs/decisions/0003-service-worker.md.
function familyShell(): Plugin {
  return {
    name: 'family-shell',
    enforce: 'post',
    generateBundle(_, bundle) {
      const files = new Set<string>(['/family.html-page']);
      const visit = (name: string) => {
        const file = bundle[name];
        if (!file || files.has('/' + name) || file.type !== 'chunk') return;
        files.add('/' + name);
        for (const css of file.viteMetadata?.importedCss ?? []) files.add('/' + css);
        for (const asset of file.viteMetadata?.importedAssets ?? [])
          if (!asset.endsWith('.wasm')) files.add('/' + asset);
        [...file.imports, ...file.dynamicImports].forEach(visit);
      };
      for (const [name, file] of Object.entries(bundle)) {
        if (file.type === 'chunk' && file.isEntry && file.name === 'family') visit(name);
      }
      for (const name of Object.keys(bundle)) if (name.endsWith('.woff2')) files.add('/' + name);
      files.delete('/family.html-page');
      const list = [...files].sort();
      const sw = bundle['sw.js'];
      if (sw?.type === 'chunk') {
        const version = createHash('sha256').update(list.join()).digest('hex').slice(0, 12);
        sw.code = sw.code
          .replace(/["'`]__FILES__["'`]/, JSON.stringify(list))
          .replace('__VERSION__', version);
      }
    },
  };
}

// The tokens of the look as variables of the style sheets: $ink, $space-4, and the
// map $colours that becomes custom properties.
function tokens(): string {
  type Group = Record<string, string>;
  const file = resolve(import.meta.dirname, '../internal/look/tokens.json');
  const { colour, ...rest } = JSON.parse(readFileSync(file, 'utf8')) as { colour: Group } & Record<
    string,
    Group
  >;
  const variables = (group: Group, prefix: string) =>
    Object.entries(group).map(([n, v]) => `$${prefix}${n}: ${v};`);
  return [
    ...variables(colour, ''),
    `$colours: (${Object.entries(colour)
      .map(([n, v]) => `'${n}': ${v}`)
      .join(', ')});`,
    ...Object.entries(rest).flatMap(([name, group]) => variables(group, `${name}-`)),
  ].join('\n');
}

const brotli = promisify(brotliCompress);

// Packs every script and style once, as small as it gets, so that the server
// hands it out as it is.
// What did not change since the last time is not packed again: its name holds its hash.
function packed(): Plugin {
  const before = new Map<string, Buffer>();
  return {
    name: 'packed',
    enforce: 'post',
    buildStart() {
      const assets = resolve(import.meta.dirname, '../internal/webfiles/dist/assets');
      if (!existsSync(assets)) return;
      for (const name of readdirSync(assets).filter((n) => n.endsWith('.br'))) {
        before.set(`assets/${name.slice(0, -3)}`, readFileSync(resolve(assets, name)));
      }
    },
    async writeBundle({ dir }, bundle) {
      const pack = async (name: string) => {
        const path = resolve(dir!, name);
        const kept = before.get(name);
        if (kept) return writeFileSync(`${path}.br`, kept);
        const raw = readFileSync(path);
        // The core on the phone is large: the last 3 % of it would take as long as all else.
        const quality = {
          params: { [constants.BROTLI_PARAM_QUALITY]: raw.length > 1e6 ? 10 : 11 },
        };
        if (raw.length > 1000) writeFileSync(`${path}.br`, await brotli(raw, quality));
      };
      await Promise.all(
        Object.keys(bundle)
          .filter((n) => /\.(js|css|svg|wasm)$/.test(n))
          .map(pack),
      );
    },
  };
}

export default defineConfig({
  plugins: [react(), familyShell(), packed()],
  build: {
    outDir: resolve(import.meta.dirname, '../internal/webfiles/dist'),
    emptyOutDir: true,
    target: 'es2020',
    modulePreload: { polyfill: false },
    rollupOptions: {
      input: {
        teacher: resolve(import.meta.dirname, 'teacher.html'),
        family: resolve(import.meta.dirname, 'family.html'),
        sw: resolve(import.meta.dirname, 'src/family/sw.ts'),
        pages: resolve(import.meta.dirname, 'src/print/pages.ts'),
      },
      output: {
        entryFileNames: (chunk) =>
          ['sw', 'pages'].includes(chunk.name) ? '[name].js' : 'assets/[name]-[hash].js',
        chunkFileNames: 'assets/[name]-[hash].js',
        assetFileNames: 'assets/[name]-[hash][extname]',
      },
    },
  },
  css: {
    preprocessorOptions: {
      scss: {
        additionalData: tokens() + '\n',
        quietDeps: true,
        silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
      },
    },
  },
});
