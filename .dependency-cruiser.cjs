/**
 * The boundary check. Data flows one way: core knows nothing of server or web, and neither room
 * reaches into the other.
 */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment: 'core may import only itself and general-purpose libraries named here',
      severity: 'error',
      from: { path: '^core/src' },
      to: {
        pathNot:
          '^(core/src/|node_modules/(zod|delaunator|robust-predicates|clipper2-ts|d3-array|d3-random|internmap)/|node_modules/@types/(delaunator|d3-array|d3-random)/)',
      },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^server/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^web/' },
    },
    {
      name: 'entities-stand-alone',
      comment: 'what things are knows nothing of what is computed from them',
      severity: 'error',
      from: { path: '^core/src/(quantities|calendar|entities|reference|trace)/' },
      to: { pathNot: '^(core/src/(quantities|calendar|entities|reference|trace)/|node_modules/)' },
    },
    {
      name: 'sql-in-the-store',
      comment: 'SQL lives only in the store',
      severity: 'error',
      from: { path: '^server/src/', pathNot: '^server/src/store/' },
      to: { path: 'node_modules/(knex|better-sqlite3)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
      extensions: ['.ts', '.js', '.vue', '.json', '.css'],
    },
  },
}
