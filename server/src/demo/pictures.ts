import sharp from 'sharp'
import { readPicture, type Picture } from '../threads/picture.ts'

/**
 * Made-up photographs for the demo, painted: sky, a dark line of hedge or house, and a lawn with
 * its bare places.
 */
const scene = ({
  sky,
  far,
  lawn,
  patches,
}: {
  sky: string
  far: string
  lawn: string
  patches: [x: number, y: number, r: number, colour: string][]
}) => `
<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800">
  <defs>
    <linearGradient id="s" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${sky}"/><stop offset="1" stop-color="#e9edf0"/></linearGradient>
    <linearGradient id="g" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${lawn}"/><stop offset="1" stop-color="#5f7f45"/></linearGradient>
    <filter id="b"><feGaussianBlur stdDeviation="9"/></filter>
  </defs>
  <rect width="1200" height="330" fill="url(#s)"/>
  <rect y="${far === 'hedge' ? 190 : 150}" width="${far === 'hedge' ? 1200 : 640}" height="200" fill="${far === 'hedge' ? '#33502f' : '#b9a98c'}"/>
  <rect y="320" width="1200" height="480" fill="url(#g)"/>
  <g filter="url(#b)">${patches.map(([x, y, r, c]) => `<ellipse cx="${x}" cy="${y}" rx="${r}" ry="${r / 3}" fill="${c}"/>`).join('')}</g>
</svg>`

const drawn = async (svg: string): Promise<Picture> =>
  readPicture(await sharp(Buffer.from(svg)).png().toBuffer(), false)

export const DEMO_PICTURES: {
  zone: string
  on: string
  note: string
  picture: () => Promise<Picture>
}[] = [
  {
    zone: 'terrace',
    on: '2027-02-19',
    note: 'from the gate',
    picture: () =>
      drawn(
        scene({
          sky: '#8fb0c9',
          far: 'house',
          lawn: '#8fa35c',
          patches: [
            [420, 560, 120, '#a98a5c'],
            [860, 470, 70, '#b39a66'],
            [700, 690, 90, '#9c8a56'],
          ],
        }),
      ),
  },
  {
    zone: 'hedge',
    on: '2027-02-19',
    note: 'from the gate',
    picture: () =>
      drawn(
        scene({
          sky: '#a9bccb',
          far: 'hedge',
          lawn: '#7c9159',
          patches: [
            [300, 480, 160, '#8a7347'],
            [800, 620, 200, '#6f8b4a'],
            [950, 420, 110, '#84704a'],
          ],
        }),
      ),
  },
  {
    zone: 'lower',
    on: '2027-02-19',
    note: 'along the old drain',
    picture: () =>
      drawn(
        scene({
          sky: '#9db7cc',
          far: 'hedge',
          lawn: '#93a662',
          patches: [
            [600, 560, 60, '#6d7f43'],
            [560, 660, 80, '#6d7f43'],
            [640, 470, 40, '#6d7f43'],
          ],
        }),
      ),
  },
]
