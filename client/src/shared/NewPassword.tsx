import { BeginStudioRequestLimits } from '../api/limits'
import { TextField } from './TextField'
import { useTranslation } from './translation'

/** A password that is chosen, with what it should be like. */
export function NewPassword({
  value,
  problem,
  className = 'w-full',
  onChange,
}: {
  value: string
  problem?: string
  className?: string
  onChange: (value: string) => void
}) {
  const { t } = useTranslation()
  return (
    <div>
      <TextField
        label={t('door.newPassword')}
        type="password"
        value={value}
        most={BeginStudioRequestLimits.password.maxLength}
        problem={problem}
        autoComplete="new-password"
        className={className}
        onChange={onChange}
      />
      <p className="quiet mt-1 max-w-prose text-sm">{t('door.passwordHelp')}</p>
    </div>
  )
}
