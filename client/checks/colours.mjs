// An independent opinion for the tests of the core: reads pairs of sRGB colours (0 to 1) as JSON, writes what culori makes of them.
import { converter, differenceCiede2000 } from 'culori'

const xyz65 = converter('xyz65')
const lab65 = converter('lab65')
const oklab = converter('oklab')
const deltaE2000 = differenceCiede2000()

const pairs = JSON.parse(await new Response(process.stdin).text())
const opinions = pairs.map(([one, other]) => {
  const colour = { mode: 'rgb', r: one[0], g: one[1], b: one[2] }
  const beside = { mode: 'rgb', r: other[0], g: other[1], b: other[2] }
  const xyz = xyz65(colour)
  const lab = lab65(colour)
  const labBeside = lab65(beside)
  const ok = oklab(colour)
  return {
    xyz: [xyz.x, xyz.y, xyz.z],
    lab: [lab.l, lab.a, lab.b],
    labBeside: [labBeside.l, labBeside.a, labBeside.b],
    oklab: [ok.l, ok.a, ok.b],
    deltaE2000: deltaE2000(lab, labBeside),
  }
})
process.stdout.write(JSON.stringify(opinions))
