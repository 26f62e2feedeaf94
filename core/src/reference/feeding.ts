/** What every feed that goes down for itself has in common, whatever of a zone it is for. */
export const feeding = {
  cautions: ['feed'],
  cautionsAt: 5,
  wants: 'growth, and rain or water to follow',
  by: 'area',
  tools: { hand: { name: 'by hand', rate: null } },
  group: 'feed, water and mow',
  short: ['feed', 2],
  wetted: true,
  halved: true,
  feeds: true,
  lostInTheDark: true,
  weather: 'spreads',
  anchors: 'feed',
  puts: ['feed'],
} as const
