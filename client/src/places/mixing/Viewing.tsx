import { useTranslation } from '../../shared/translation'
import type { ColourView, LightKind, Look } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import { deltaE, differenceWords } from '../../shared/words'
import type { Table } from './tableState'
import { lightKinds } from '../../shared/lights'

/**
 * Where colour is judged: the target as one band, and against it without a gap each mix as kneaded, rested and dried. A second
 * mix lies on the other side of the band.
 */
export function Viewing({
  table,
  looks,
  onLight,
}: {
  table: Table
  looks: (Look | undefined)[]
  onLight: (light: LightKind) => void
}) {
  const { t } = useTranslation()
  const [first, second] = looks
  return (
    <section aria-label={t('mixing.viewing.title')} className="surround sticky top-0 z-10 p-4 pb-2 lg:px-6">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-x-6 gap-y-1 text-sm">
        <p>{first ? t('mixing.viewing.target', { name: table.targetName }) : t('mixing.viewing.empty')}</p>
        <label className="flex items-center gap-2">
          {t('mixing.viewing.light')}
          <select
            className="select select-sm bg-surround w-40"
            value={table.light}
            onChange={(event) => onLight(event.target.value as LightKind)}
          >
            {lightKinds.map((light) => (
              <option key={light} value={light}>
                {t(`light.${light}`)}
              </option>
            ))}
          </select>
        </label>
      </div>
      {first && (
        <div className="max-w-4xl">
          {second && <Ages look={second} name={t('mixing.mix.name', { letter: 'B' })} above />}
          <Band target={first.target} name={t('mixing.viewing.targetShort')} />
          <Ages look={first} name={t('mixing.mix.name', { letter: 'A' })} />
        </div>
      )}
    </section>
  )
}

function Band({ target, name }: { target: ColourView; name: string }) {
  return (
    <div className="grid grid-cols-[3.5rem_minmax(0,1fr)] items-center text-sm">
      <span>{name}</span>
      <Swatch colour={target} label={name} className="h-12 w-full lg:h-16" />
    </div>
  )
}

function Ages({ look, name, above = false }: { look: Look; name: string; above?: boolean }) {
  const { t } = useTranslation()
  return (
    <div className={`grid grid-cols-[3.5rem_minmax(0,1fr)] text-sm ${above ? 'items-end' : 'items-start'}`}>
      <span className={`flex h-12 lg:h-16 ${above ? 'items-end pb-2' : 'pt-2'}`}>{name}</span>
      <ul className="grid grid-cols-3" aria-label={name}>
        {look.ages.map(({ age, colour, difference }) => (
          <li key={age} className={`flex ${above ? 'flex-col-reverse' : 'flex-col'}`}>
            <Swatch colour={colour} label={t(`mixing.age.${age}`)} className="h-12 w-full lg:h-16" />
            <span className="py-1 pr-2 leading-tight">
              {t(`mixing.age.${age}`)}
              <br />
              <span className="font-semibold">{differenceWords(t, difference)}</span> {deltaE(difference.deltaE)}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}
