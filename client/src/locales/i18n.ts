import i18next from 'i18next'
import { initReactI18next } from 'react-i18next'
import { teachMeasures } from '../shared/measures'
import en from './en.json'

// One catalogue a language; a second language is one more file and one more line here.
void i18next.use(initReactI18next).init({
  resources: { en: { translation: en } },
  lng: 'en',
  fallbackLng: 'en',
  interpolation: { escapeValue: false },
})
teachMeasures(i18next)
