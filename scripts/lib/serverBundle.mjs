// How the server is bundled: for users (build.mjs) and from its sources (dev.mjs). What loads files of its own stays
// outside.
/** @type {import('esbuild').BuildOptions} */
export const serverBundle = {
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: false,
  sourcemap: false,
  logLevel: 'warning',
  external: ['@node-rs/argon2', 'pdfkit', 'piscina', 'sharp'],
  banner: {
    js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);",
  },
};
