import exifReader from 'exif-reader'
import sharp from 'sharp'

/** A photograph made ready to keep: written anew as JPEG, upright, sized, with nothing of the camera's own record left in it. */
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

/** Longest side kept, px: enough to trace an edge to a hand's breadth over a garden, and to print on a page. */
const LARGE = 2400
const SMALL = 360
/** Most pixels opened: more is a bomb, not a photograph. */
const MOST_PIXELS = 120_000_000

/**
 * Reads, turns upright, sizes and writes anew. `keepPosition` takes the camera's position out into the record; the file never holds it.
 * Throws when the bytes are no picture that can be read.
 */
export async function readPicture(bytes: Buffer, keepPosition: boolean): Promise<Picture> {
  const source = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
  const { exif } = await source.metadata()
  const sized = (side: number, quality: number) =>
    source
      .clone()
      .rotate()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality, mozjpeg: true })
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

/** A picture that was made ready before, come back in a job file: kept byte for byte, with its thumbnail made anew. Any other is made ready as new. */
export async function readKeptPicture(bytes: Buffer): Promise<Picture> {
  const picture = await readPicture(bytes, false)
  const { format, width, height, exif, xmp, iptc, icc } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata()
  const ready = format === 'jpeg' && Math.max(width, height) <= LARGE && !exif && !xmp && !iptc && !icc
  return ready ? { ...picture, large: bytes, width, height } : picture
}

function recordOf(exif: Buffer | undefined): Pick<Picture, 'takenOn' | 'position'> {
  try {
    const record = exif ? exifReader(exif) : null
    const taken = record?.Photo?.DateTimeOriginal ?? record?.Image?.DateTime
    const gps = record?.GPSInfo
    const degrees = (dms: readonly number[] | undefined, ref: string | undefined) =>
      dms && dms.length === 3 && dms.every(Number.isFinite) ? (dms[0]! + dms[1]! / 60 + dms[2]! / 3600) * (ref === 'S' || ref === 'W' ? -1 : 1) : null
    const latitude = degrees(gps?.GPSLatitude, gps?.GPSLatitudeRef)
    const longitude = degrees(gps?.GPSLongitude, gps?.GPSLongitudeRef)
    return {
      takenOn: taken instanceof Date && !Number.isNaN(taken.getTime()) ? taken.toISOString().slice(0, 10) : null,
      position: latitude !== null && longitude !== null && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? { latitude, longitude } : null,
    }
  } catch {
    // A camera's record that cannot be read says nothing; the picture itself may be sound.
    return { takenOn: null, position: null }
  }
}
