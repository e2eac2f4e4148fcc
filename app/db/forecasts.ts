import Dexie, { type Table } from 'dexie'
import { watched } from './opening'

/** A forecast worked out before, with the case it belongs to: work saved, never a truth. */
export interface KeptForecast {
  lotId: string
  key: string
  answer: unknown
}

/** Forecasts that were worked out: a database of its own, so that they never write beside the log. */
class Forecasts extends Dexie {
  declare forecasts: Table<KeptForecast, string>

  constructor() {
    super('lactofer-forecasts', watched())
    this.version(1).stores({ forecasts: 'lotId' })
  }
}

export const { forecasts } = new Forecasts()
