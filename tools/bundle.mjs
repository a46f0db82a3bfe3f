// Bundles one server entry; npm packages stay outside, our own workspaces go in.
import { build } from 'esbuild';

const [entry, outfile] = process.argv.slice(2);
await build({
  entryPoints: [entry],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'error',
  plugins: [
    {
      name: 'packages-stay-outside',
      setup: (b) =>
        b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          kind === 'entry-point' || path.startsWith('@green-tally/')
            ? undefined
            : { path, external: true },
        ),
    },
  ],
});
