import exifReader from 'exif-reader'
import sharp from 'sharp'
import { stagePicture, type Batch } from '../store/pictureFiles.ts'

/**
 * A photograph made ready to keep: written anew as JPEG, upright, sized, with nothing of the
 * camera's own record left in it.
 */
export interface Picture {
  large: Buffer
  small: Buffer
  width: number
  height: number
  /** The day the camera says, ISO, if it says. */
  takenOn: string | null
  /** Where the camera says it stood; only ever filled when asked for. */
  position: { latitude: number; longitude: number } | null
}

/** A picture that was written to disk as part of a batch: what its row says of it. */
export type StagedPicture = Omit<Picture, 'large' | 'small'> & { bytes: number }

/**
 * Longest side kept, px: enough to trace an edge to a hand's breadth over a garden, and to print on
 * a page.
 */
const LARGE = 2400
const SMALL = 360
/** Most pixels opened: more is a bomb, not a photograph. */
const MOST_PIXELS = 100_000_000
/** Longest that one picture may take, s. */
const MOST_SECONDS = 20
/** Kinds that are opened. A drawing in XML is a program to its reader, not a photograph. */
const KINDS: readonly string[] = ['jpeg', 'png', 'webp']

/**
 * Reads, turns upright, sizes and writes anew. `keepPosition` takes the camera's position out into
 * the record; the file never holds it. Throws when the bytes are no picture that can be read.
 */
export async function readPicture(bytes: Buffer, keepPosition: boolean): Promise<Picture> {
  const source = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
  const { exif, format } = await source.metadata()
  if (!KINDS.includes(format)) throw new Error(`No picture of a kind that is opened: ${format}`)
  const sized = (side: number, quality: number) =>
    source
      .clone()
      .rotate()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .timeout({ seconds: MOST_SECONDS })
      .toBuffer({ resolveWithObject: true })
  const [large, small] = await Promise.all([sized(LARGE, 82), sized(SMALL, 74)])
  const said = recordOf(exif)
  return {
    large: large.data,
    small: small.data,
    width: large.info.width,
    height: large.info.height,
    takenOn: said.takenOn,
    position: keepPosition ? said.position : null,
  }
}

/**
 * Reads a picture and writes it as part of a batch: its bytes never come back from the thread. Null
 * where they are no picture that can be read.
 */
export async function writePicture(
  bytes: Uint8Array,
  keepPosition: boolean,
  { id, ...to }: Batch & { id: string },
): Promise<StagedPicture | null> {
  const read = await readPicture(
    Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength),
    keepPosition,
  ).catch(() => null)
  if (!read) return null
  const { large, small, ...of } = read
  await stagePicture(to, id, { large, small })
  return { ...of, bytes: large.length }
}
export interface PictureAsk extends Batch {
  id: string
  bytes: Uint8Array
  keepPosition: boolean
}
export const picture = ({
  bytes,
  keepPosition,
  ...to
}: PictureAsk): Promise<StagedPicture | null> => writePicture(bytes, keepPosition, to)

function recordOf(exif: Buffer | undefined): Pick<Picture, 'takenOn' | 'position'> {
  try {
    const record = exif ? exifReader(exif) : null
    const taken = record?.Photo?.DateTimeOriginal ?? record?.Image?.DateTime
    const gps = record?.GPSInfo
    const degrees = (dms: readonly number[] | undefined, ref: string | undefined) =>
      dms && dms.length === 3 && dms.every(Number.isFinite)
        ? (dms[0]! + dms[1]! / 60 + dms[2]! / 3600) * (ref === 'S' || ref === 'W' ? -1 : 1)
        : null
    const latitude = degrees(gps?.GPSLatitude, gps?.GPSLatitudeRef)
    const longitude = degrees(gps?.GPSLongitude, gps?.GPSLongitudeRef)
    return {
      takenOn:
        taken instanceof Date && !Number.isNaN(taken.getTime())
          ? taken.toISOString().slice(0, 10)
          : null,
      position:
        latitude !== null &&
        longitude !== null &&
        Math.abs(latitude) <= 90 &&
        Math.abs(longitude) <= 180
          ? { latitude, longitude }
          : null,
    }
  } catch {
    // A camera's record that cannot be read says nothing; the picture itself may be sound.
    return { takenOn: null, position: null }
  }
}
