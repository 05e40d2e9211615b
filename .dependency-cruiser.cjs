/**
 * The import rule of the house: arrows point downward only.
 * app -> places -> ui, state -> store, workers -> files -> imaging -> core; cli -> files, imaging, core.
 */
const may = {
  core: [],
  imaging: ['core'],
  files: ['imaging', 'core'],
  workers: ['files', 'imaging', 'core'],
  store: ['files', 'imaging', 'core'],
  demo: ['files', 'imaging', 'core', 'store'],
  state: ['store', 'workers', 'demo', 'files', 'core'],
  ui: ['core'],
  places: ['ui', 'state', 'core'],
  app: ['places', 'ui', 'state', 'core', 'desk'],
  // The stand-in house: it knows what a blank asks, and nothing of how our files are made.
  desk: ['core/blank', 'core/length'],
  offline: [],
  cli: ['files', 'imaging', 'core'],
};

/** The rooms of the core from the ground up: each looks only at those before it. */
const core = [
  'geometry',
  'length',
  'formats',
  'blank',
  'type',
  'artwork',
  'colour',
  'raster',
  'template',
  'measuring',
  'fit',
  'layout',
  'price',
  'rows',
  'render',
  'cut',
  'plates',
  'print',
  'product',
  'sheet',
  'check',
  'many',
  'mockup',
  'pack',
  'listing',
];

module.exports = {
  forbidden: [
    ...core.map((room, i) => ({
      name: `core-${room}-looks-down-only`,
      severity: 'error',
      from: { path: `^src/core/${room}/` },
      to: { path: '^src/core/[^/]+/', pathNot: `^src/core/(${core.slice(0, i + 1).join('|')})/` },
    })),
    ...Object.entries(may).map(([room, allowed]) => ({
      name: `${room}-looks-down-only`,
      severity: 'error',
      from: { path: `^src/${room}/` },
      to: { path: '^src/', pathNot: `^src/(${[room, ...allowed].join('|')})/` },
    })),
    {
      name: 'core-is-pure',
      comment:
        'The core knows no React, DOM library, Node or storage: only Valibot, a memory of what was used last, colours as CSS and paths as SVG writes them, contours, curves, polygon offsets and triangles, the packing of rectangles, decimal sums and plain code.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: {
        dependencyTypes: ['npm', 'core'],
        pathNot:
          'node_modules/(valibot|lru-cache|culori|big.js|clipper2-ts|earcut|d3-contour|fit-curve|maxrects-packer|safe-stable-stringify|svgpath|@noble/hashes)/',
      },
    },
    {
      name: 'only-store-opens-indexeddb',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/store/' },
      to: { path: 'node_modules/idb/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
