import { useState } from 'react'
import type { Material } from '../../api/api'
import { SearchField } from '../../shared/SearchField'
import { useTranslation } from '../../shared/translation'

const kinds = ['paste', 'colourant', 'dust'] as const

/** The only jars that a plan may use: all of them until one is chosen. */
export function JarsToUse({
  materials,
  chosen,
  problem,
  onChoose,
}: {
  materials: Material[]
  chosen: string[]
  problem: string | undefined
  onChoose: (chosen: string[]) => void
}) {
  const { t } = useTranslation()
  const [wanted, setWanted] = useState('')
  const offered = materials.filter((jar) => !jar.isRetired && kinds.some((kind) => kind === jar.kind))
  const shown = offered.filter((jar) => jar.name.toLowerCase().includes(wanted.trim().toLowerCase()))
  const toggle = (id: string) => onChoose(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])
  return (
    <details className="max-w-3xl text-sm">
      <summary className="act min-h-6">
        {chosen.length === 0 ? t('joint.anyJar') : t('joint.onlyJars', { count: chosen.length })}
      </summary>
      <p className="quiet my-2 max-w-prose">{t('joint.jarsHelp')}</p>
      {problem && <p className="text-error">{problem}</p>}
      <div className="flex flex-wrap items-end gap-3">
        <SearchField label={t('joint.findJar')} value={wanted} onChange={setWanted} />
        {chosen.length > 0 && (
          <button type="button" className="btn btn-sm" onClick={() => onChoose([])}>
            {t('joint.useAny')}
          </button>
        )}
      </div>
      {kinds.map((kind) => {
        const jars = shown.filter((jar) => jar.kind === kind)
        return (
          jars.length > 0 && (
            <fieldset key={kind} className="mt-3">
              <legend className="font-semibold">{t(`joint.jars.${kind}`)}</legend>
              <div className="grid gap-x-4 sm:grid-cols-3">
                {jars.map((jar) => (
                  <label key={jar.id} className="flex min-h-7 items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox checkbox-sm"
                      checked={chosen.includes(jar.id)}
                      onChange={() => toggle(jar.id)}
                    />
                    {jar.name}
                  </label>
                ))}
              </div>
            </fieldset>
          )
        )
      })}
    </details>
  )
}
