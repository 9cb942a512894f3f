import { cureForecast, forecastAtCut } from '@vendange/core/cure'
import { expose } from 'comlink'

/** Fits the drying of bars off the page's thread. */
export interface DryingForecaster {
  whileCuring: typeof cureForecast
  atTheCut: typeof forecastAtCut
}

const forecaster: DryingForecaster = { whileCuring: cureForecast, atTheCut: forecastAtCut }
expose(forecaster)
