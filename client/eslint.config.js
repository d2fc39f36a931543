import js from '@eslint/js'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['node_modules', 'src/api/schema.d.ts', 'src/api/limits.ts'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  reactHooks.configs.flat.recommended,
  // Scripts that run in Node, not in the browser.
  {
    files: ['checks/*.mjs', 'scripts/*.mjs'],
    languageOptions: { globals: { process: 'readonly', Response: 'readonly' } },
  },
)
