// Writes the limits that the description of the API tells into the client: they stand in the server's code and nowhere else.
import { readFileSync, writeFileSync } from 'node:fs'

const told = ['minimum', 'maximum', 'exclusiveMinimum', 'minLength', 'maxLength', 'minItems', 'maxItems', 'default']
const { components } = JSON.parse(readFileSync('../src/YoungTinge.Web/openapi.json', 'utf8'))

const limitsOf = (properties) =>
  Object.entries(properties ?? {}).flatMap(([name, shape]) => {
    const limits = told.filter((one) => typeof shape[one] === 'number').map((one) => `${one}: ${shape[one]}`)
    return limits.length > 0 ? [`  ${name}: { ${limits.join(', ')} },`] : []
  })

const schemas = Object.entries(components.schemas).flatMap(([name, { properties }]) => {
  const lines = limitsOf(properties)
  return lines.length > 0 ? [`export const ${name}Limits = {\n${lines.join('\n')}\n} as const\n`] : []
})
const head = '// Made from the description of the API by scripts/limits.mjs: do not change it here.\n'
writeFileSync('src/api/limits.ts', `${head}\n${schemas.join('\n')}`)
