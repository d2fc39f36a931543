import { Component } from 'react'
import type { ReactNode } from 'react'
import { useTranslation } from 'react-i18next'

/** Catches a mistake of ours in drawing a page, so that a maker sees words and not an empty window. */
export class SafetyNet extends Component<{ children: ReactNode }, { fell: boolean }> {
  override state = { fell: false }

  static getDerivedStateFromError() {
    return { fell: true }
  }

  override render() {
    return this.state.fell ? <Fallen /> : this.props.children
  }
}

function Fallen() {
  const { t } = useTranslation()
  return (
    <main role="alert" className="p-6">
      <h1 className="name text-2xl">{t('safetyNet.title')}</h1>
      <p className="mt-2">{t('safetyNet.kept')}</p>
      <button className="btn btn-primary mt-4" onClick={() => location.reload()}>
        {t('safetyNet.reload')}
      </button>
    </main>
  )
}
