import { earRates } from './bench/chordEar.ts'

const TUNE = [
  'x3545x',
  'x1323x',
  '3x333x',
  '3x343x',
  'x3231x',
  'x32010',
  '320003',
  'x02220',
  '022100',
  'xx0232',
  'x24442',
  '133211',
  'xx5555',
  'xx4535',
  'x5756x',
  '5x555x',
  '8x899x',
  'x8688x',
  'x6566x',
  '4x554x',
  'x7978x',
  '7x677x',
  'xx6676',
  'x35343',
  'x4345x',
  'x2323x',
  '2x222x',
  '3-x-4-4-3-x',
  'x02010',
  'xx3213',
  'x13333',
  'x46664',
  'xx7778',
  'x1312x',
  '6x566x',
  '1x123x',
].map((s) => s)
const t = performance.now()
const seed = Number(process.argv[2] ?? 1)
for (const noiseDb of process.argv[3] ? [Number(process.argv[3])] : [30, 15]) {
  const r = earRates(TUNE, { seed, noiseDb })
  console.log(
    noiseDb,
    JSON.stringify(r),
    ((r.missing.found / r.missing.asked) * 100).toFixed(1),
    ((r.off.found / r.off.asked) * 100).toFixed(1),
    ((r.rings.found / r.rings.asked) * 100).toFixed(1),
    'alarm',
    ((r.alarms.found / r.alarms.asked) * 100).toFixed(2),
  )
}
console.log(Math.round(performance.now() - t))
