const { readFileSync } = require('node:fs')
const { join } = require('node:path')

/** The rooms of the core, row by row, from the table of the architecture page. */
const ROWS = readFileSync(join(__dirname, 'docs/architecture.md'), 'utf8')
  .split('## Rooms of the core')[1]
  .split('\n## ')[0]
  .split('\n')
  .filter((line) => line.startsWith('| `'))
  .map((line) => [...line.split('|')[1].matchAll(/`([a-zA-Z.]+)`/g)].map((room) => room[1]))
const path = (room) => (room.endsWith('.ts') ? room.replace('.', '\\.') + '$' : `${room}/`)
const inRoom = (rooms) => `^core/src/(${rooms.map(path).join('|')})`

/** No arrow runs up, and none to another room of the same row. */
const rows = ROWS.flatMap((row, i) =>
  row.map((room) => ({
    name: `${room}-on-its-row`,
    comment: `${room} may import the rows above it in docs/architecture.md, and nothing else of the core`,
    severity: 'error',
    from: { path: inRoom([room]) },
    to: { path: '^core/src/', pathNot: inRoom([room, ...ROWS.slice(0, i).flat()]) },
  })),
)

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
      name: 'contract-stands-alone',
      comment: 'what the server answers knows the core and neither of the two that import it',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web)/' },
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
    ...rows,
    {
      name: 'every-room-on-a-row',
      comment: 'a folder of the core that the table does not name',
      severity: 'error',
      from: { path: '^core/src/', pathNot: inRoom(ROWS.flat()) },
      to: {},
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
