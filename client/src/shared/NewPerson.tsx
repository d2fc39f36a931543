import { UseCodeRequestLimits } from '../api/limits'
import { TextField } from './TextField'
import { useTranslation } from './translation'

/** Somebody new: what others are shown, and what she signs in with. */
export function NewPerson({
  label,
  name,
  nameProblem,
  signInName,
  signInProblem,
  onName,
  onSignInName,
}: {
  /** Of her name. */
  label: string
  name: string
  nameProblem?: string
  signInName: string
  signInProblem?: string
  onName: (name: string) => void
  onSignInName: (name: string) => void
}) {
  const { t } = useTranslation()
  return (
    <>
      <TextField
        label={label}
        value={name}
        most={UseCodeRequestLimits.name.maxLength}
        problem={nameProblem}
        autoComplete="name"
        className="w-full"
        onChange={onName}
      />
      <TextField
        label={t('door.name')}
        value={signInName}
        most={UseCodeRequestLimits.signInName.maxLength}
        problem={signInProblem}
        autoComplete="username"
        className="w-full"
        onChange={onSignInName}
      />
    </>
  )
}
