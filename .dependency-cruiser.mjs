/**
 * No file may depend on itself by way of others, in types either: such files can only be read, tested and
 * moved together.
 */
const config = {
  forbidden: [{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } }],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(\\.next|\\.local|docs)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mts', '.mjs', '.js'] },
  },
};

export default config;
