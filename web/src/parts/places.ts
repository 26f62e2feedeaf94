import type { Stage } from '@juvena/core/rules/rule'

/** What a stage is also called by whoever looks for it. */
export const STAGE_ALSO: Record<Stage, string> = {
  1: 'survey measure size area zone plan draw light levels count cover photo frost site customer history weedkiller',
  2: 'verdict thatch compaction moss ph weeds what is wrong',
  3: 'work operations ladder scarify dethatch core cores overseed renovate options ways',
  4: 'mix grass grasses rate lot bag germination spreader pans sow',
  5: 'buy order quantities soil topsoil sand dressing feed fertilizer cover bags shopping',
  6: 'dates days schedule calendar sowing window frost cut-off pin visits',
  7: 'irrigation sprinkler minutes litres tap watering',
  8: 'done tick record notes mow',
}

/** Pages that are not a stage of a job, and what they are also called. */
export const PAGES: readonly { name: string; also: string; to: string }[] = [
  { name: 'Today', also: 'day work crew tick', to: '/today' },
  { name: 'Season', also: 'all jobs weeks board new job import archive', to: '/' },
  {
    name: 'Yard: firm and schools',
    also: 'settings units crew address telephone name schools phosphorus',
    to: '/yard',
  },
  {
    name: 'Yard: year and weather',
    also: 'frost climate station import weather csv soil temperature rain',
    to: '/yard/year',
  },
  { name: 'Yard: stock', also: 'seed lots label paper test shelf bags', to: '/yard/stock' },
  { name: 'Yard: grasses', also: 'cultivar rates seeds sun', to: '/yard/grasses' },
  { name: 'Yard: backups', also: 'restore copy save everything history', to: '/yard/backups' },
  { name: 'Yard: rule book', also: 'rules numbers formulas values sources', to: '/yard/rules' },
]

/** Things to do in the job that is open, and what they are also called. */
export const ACTIONS: readonly { name: string; also: string; to: (job: string) => string }[] = [
  {
    name: 'Print the sheets',
    also: 'paper pdf customer crew watering',
    to: (job) => `/jobs/${job}/sheets`,
  },
  {
    name: 'Draw the site',
    also: 'plan map trace outline import geojson',
    to: (job) => `/jobs/${job}/walk-over?part=plan`,
  },
  {
    name: 'Enter the frost date and place',
    also: 'latitude season soil reading weather',
    to: (job) => `/jobs/${job}/walk-over?part=site`,
  },
  {
    name: 'Note a treatment',
    also: 'history weedkiller herbicide feed lime',
    to: (job) => `/jobs/${job}/walk-over?part=history`,
  },
  {
    name: 'Export the job file',
    also: 'download backup customer',
    to: (job) => `/jobs/${job}/walk-over?part=customer`,
  },
]
