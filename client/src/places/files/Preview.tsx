import { useTranslation } from '../../shared/translation'
import type { ImportPreview } from '../../api/api'
import { Problem } from '../../shared/Message'

/** So many lines are shown; the rest is only counted. */
const most = 200

/** What would happen to each line of a file, the bad ones first. */
export function Preview({ seen }: { seen: ImportPreview }) {
  const { t } = useTranslation()
  const lines = [
    ...seen.lines.filter((line) => line.state === 'bad'),
    ...seen.lines.filter((line) => line.state === 'new' || line.state === 'changed'),
  ]
  return (
    <>
      <p role="status" className="text-sm">
        {t('files.preview.counts', { added: seen.new, changed: seen.changed, same: seen.same })}{' '}
        {seen.bad > 0 && <strong>{t('files.preview.bad', { count: seen.bad })}</strong>}
      </p>
      {seen.bad > 0 && <p className="text-sm">{t('files.preview.nothingStored')}</p>}
      {lines.length > 0 && (
        <div className="mt-2 max-h-96 overflow-y-auto" role="group" tabIndex={0} aria-label={t('files.preview.lines')}>
          <table className="w-full text-left text-sm">
            <thead>
              <tr>
                {(['line', 'state', 'what', 'why'] as const).map((head) => (
                  <th key={head} scope="col" className="quiet py-1 pr-4 text-xs font-normal">
                    {t(`files.preview.head.${head}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {lines.slice(0, most).map((line) => (
                <tr key={line.number} className="border-base-300 border-t align-top">
                  <td className="py-1 pr-4">{line.number}</td>
                  <td className={`py-1 pr-4 ${line.state === 'bad' ? 'font-semibold' : ''}`}>
                    {t(`files.preview.state.${line.state}`)}
                  </td>
                  <td className="py-1 pr-4">{line.name}</td>
                  <td>
                    {line.problems.map((problem) => (
                      <Problem key={problem.column}>
                        {problem.column && <strong>{problem.column}: </strong>}
                        {t(`files.lineProblem.${problem.code}`, {
                          limit: problem.limit,
                          material: problem.said,
                          defaultValue: t(`problem.${problem.code}`, {
                            limit: problem.limit,
                            material: problem.said,
                            defaultValue: t('problem.other'),
                          }),
                        })}
                        {problem.said && ` “${problem.said}”`}
                      </Problem>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {lines.length > most && (
        <p className="quiet text-sm">{t('files.preview.more', { count: lines.length - most })}</p>
      )}
    </>
  )
}
