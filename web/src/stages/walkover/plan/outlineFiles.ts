import type { FeatureCollection } from '@juvena/core/formats/geoJson'

/** Most that an outline file may hold, bytes. */
const MOST = 12_000_000

export type FileRead = { ok: true; value: unknown } | { ok: false; sentence: string }

/**
 * An outline file as GeoJSON: GeoJSON as it is, KML and GPX through OpenLayers' readers. The kind
 * is told by the text itself, not by the file's name.
 */
export async function readOutlines(file: File): Promise<FileRead> {
  if (file.size > MOST)
    return {
      ok: false,
      sentence: `${file.name} is larger than 12 MB: too much for one site's outlines.`,
    }
  const text = (await file.text()).replace(/^\uFEFF/, '').trim()
  if (text === '') return { ok: false, sentence: `${file.name} is empty.` }
  if (text.startsWith('{') || text.startsWith('[')) {
    try {
      return { ok: true, value: JSON.parse(text) }
    } catch {
      return {
        ok: false,
        sentence: `${file.name} could not be read: it is not whole JSON. It may have been cut short; export it again.`,
      }
    }
  }
  if (!text.startsWith('<'))
    return {
      ok: false,
      sentence: `${file.name} is no outline file known here. GeoJSON, KML or GPX is wanted.`,
    }
  // Asked before the browser's own parser is: that one writes its complaint as a styled page.
  const { XMLValidator } = await import('fast-xml-parser')
  if (XMLValidator.validate(text) !== true)
    return {
      ok: false,
      sentence: `${file.name} could not be read: its XML is broken or cut short. Export it again.`,
    }
  const xml = new DOMParser().parseFromString(text, 'text/xml')
  const root = xml.documentElement.localName.toLowerCase()
  const [{ default: GeoJSON }, { default: KML }, { default: GPX }] = await Promise.all([
    import('ol/format/GeoJSON'),
    import('ol/format/KML'),
    import('ol/format/GPX'),
  ])
  if (root !== 'kml' && root !== 'gpx')
    return { ok: false, sentence: `${file.name} is XML, but neither KML nor GPX.` }
  const features =
    root === 'kml'
      ? new KML({ extractStyles: false }).readFeatures(xml)
      : new GPX().readFeatures(xml)
  const collection = JSON.parse(new GeoJSON().writeFeatures(features)) as FeatureCollection
  for (const f of collection.features) f.properties = f.properties && { name: f.properties.name }
  return { ok: true, value: collection }
}
