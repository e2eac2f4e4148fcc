/** Pictures of the demo's log, drawn: what a phone would have shown of the relish that was thrown away. */
export interface DemoPicture {
  id: string
  svg: string
}

const jar = (inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="480" height="360" viewBox="0 0 480 360"><rect width="480" height="360" fill="#5d5348"/><rect y="300" width="480" height="60" fill="#8a7a63"/>${inside}</svg>`
const tuft = (x: number, y: number, size: number) =>
  `<circle cx="${x}" cy="${y}" r="${size}" fill="#6d8f5f"/><circle cx="${x - size / 4}" cy="${y - size / 4}" r="${size * 0.7}" fill="#8fae7d"/><circle cx="${x + size / 5}" cy="${y - size / 3}" r="${size * 0.4}" fill="#c9d8b8"/>`

/** From above into the open jar, and from the side through the glass. */
export const DEMO_PICTURES: readonly DemoPicture[] = [
  {
    id: '01BPCTVRE00000000000000001',
    svg: jar(
      `<circle cx="240" cy="170" r="140" fill="#c9d3cf"/><circle cx="240" cy="170" r="124" fill="#a9442f"/><circle cx="200" cy="210" r="16" fill="#d98b54"/><circle cx="290" cy="190" r="13" fill="#7fa25a"/><circle cx="250" cy="120" r="15" fill="#cf6a43"/>${tuft(335, 120, 26)}${tuft(150, 110, 18)}`,
    ),
  },
  {
    id: '01BPCTVRE00000000000000002',
    svg: jar(
      `<path d="M120,40 H360 V90 Q390,100 390,130 V320 H90 V130 Q90,100 120,90 Z" fill="#cfd9d5"/><path d="M96,150 H384 V314 H96 Z" fill="#a9442f"/><path d="M96,150 H384 V176 H96 Z" fill="#bf5a3c"/>${tuft(360, 146, 20)}${tuft(120, 148, 14)}`,
    ),
  },
]
