import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { HOUR_MS, momentOf } from '../units/time'
import { nernstMv, phOfMv } from './calibration'
import type { BenchCommand, BenchState } from './live'

/** Constants of the simulated instruments; plausible for small bench instruments, judgement. */
const SCALE = { lagS: 0.35, noiseG: 0.06, stepG: 0.1, steadyWithinG: 0.4, creepGPerHour: 0.25, mostCreepG: 4 }
const METER = {
  lagS: 5,
  noiseMv: 0.25,
  slopeLossPctPerHour: 0.12,
  offsetMvPerHour: 0.09,
  startSlopePct: 98.5,
  startOffsetMv: 4,
  thickLag: 2.5,
  steadyMv: 0.9,
}
const PROBE = { lagS: 4, noiseC: 0.04 }
const ROOM_C = 21.4
const PROBES = [
  { id: 'probe-1', name: 'Probe 1', tempC: 21.2 },
  { id: 'probe-2', name: 'Probe 2', tempC: 13.1 },
]
/** The room breathes: so many degrees up and down in a day. */
const DAILY_C = 0.8

/**
 * A scale, a pH meter, a thermometer and two probes that behave: they lag, settle and jitter. The zero of the scale
 * creeps until it is set anew. The meter is an electrode with millivolts of its own, whose slope and offset drift with
 * the hours; what it shows as pH is reckoned with the calibration it was last given.
 */
export class BenchSimulator {
  private readonly generator
  private loadG = 0
  private shownG = 0
  private tareG = 0
  private taredMs: number
  private sample: { name: string; ph: number; tempC: number; thick: boolean } | null = null
  private shownMv = 0
  private shownC = ROOM_C
  private calibration: { atMs: number; slopePct: number; offsetMv: number }
  private readonly probes = PROBES.map((probe) => ({ ...probe, shownC: probe.tempC }))
  private readonly startMs: number
  private nowMs: number

  private readonly pace: number
  private readonly drift: number

  /**
   * @param pace how many times faster than real instruments it settles; drift and clock keep to the real time.
   * @param drift times the usual drift of meter and scale: a bench whose clock is turned by weeks drifts less an hour.
   * @param offPh what the meter shows more than there is, until it is calibrated, which it was `agedH` hours ago.
   */
  constructor(nowMs: number, seed: number, { pace = 1, drift = 1, offPh = 0, agedH = 2 } = {}) {
    this.pace = pace
    this.drift = drift
    this.generator = xoroshiro128plus(seed)
    this.nowMs = nowMs
    this.startMs = nowMs
    this.taredMs = nowMs
    const offsetMv = METER.startOffsetMv + offPh * (METER.startSlopePct / 100) * nernstMv(ROOM_C)
    this.calibration = { atMs: nowMs - agedH * HOUR_MS, slopePct: METER.startSlopePct, offsetMv }
  }

  /** A number from about a normal distribution (sum of uniforms), standard deviation 1. */
  private jitter(): number {
    let sum = 0
    for (let term = 0; term < 12; term++) sum += uniformFloat64(this.generator)
    return sum - 6
  }

  /** Does what was asked. */
  obey(command: BenchCommand): void {
    switch (command.do) {
      case 'load':
        this.loadG = command.massG
        break
      case 'tare':
        this.tareG = this.loadG
        this.taredMs = this.nowMs
        break
      case 'dip':
        this.sample = { name: command.sample, ph: command.ph, tempC: command.tempC, thick: command.thick ?? false }
        break
      case 'lift':
        this.sample = null
        break
      case 'place': {
        const probe = this.probes.find(({ id }) => id === command.probe)
        if (probe) probe.tempC = command.tempC
        break
      }
      case 'calibrate':
        this.calibration = { atMs: this.nowMs, slopePct: command.slopePct, offsetMv: command.offsetMv }
        break
    }
  }

  /** How far the zero of the scale has crept since it was set. */
  private get creptG() {
    return Math.min(SCALE.mostCreepG, (this.drift * SCALE.creepGPerHour * (this.nowMs - this.taredMs)) / HOUR_MS)
  }

  private get hours() {
    return (this.nowMs - this.startMs) / HOUR_MS
  }

  /** Millivolts the electrode would settle on: the sample's pH through the slope that is left and the offset gained. */
  private get settledMv() {
    if (!this.sample) return this.shownMv
    const slope = (METER.startSlopePct - this.drift * METER.slopeLossPctPerHour * this.hours) / 100
    return (
      METER.startOffsetMv +
      this.drift * METER.offsetMvPerHour * this.hours +
      slope * nernstMv(this.sample.tempC) * (7 - this.sample.ph)
    )
  }

  /** Lets the time pass up to `nowMs`. A cold sample makes the electrode slower. */
  run(nowMs: number): void {
    const seconds = this.pace * Math.max(0, (nowMs - this.nowMs) / 1000)
    this.nowMs = nowMs
    const toward = (from: number, to: number, lagS: number) => to + (from - to) * Math.exp(-seconds / lagS)
    this.shownG = toward(this.shownG, this.loadG, SCALE.lagS)
    this.shownC = toward(this.shownC, this.sample?.tempC ?? ROOM_C, PROBE.lagS)
    const cold = this.sample ? Math.max(1, 1 + (20 - this.sample.tempC) / 15) : 1
    this.shownMv = toward(this.shownMv, this.settledMv, METER.lagS * cold * (this.sample?.thick ? METER.thickLag : 1))
    const breath = DAILY_C * Math.sin((2 * Math.PI * nowMs) / (24 * HOUR_MS))
    for (const probe of this.probes) probe.shownC = toward(probe.shownC, probe.tempC + breath, 10 * PROBE.lagS)
  }

  /** What the instruments show now. */
  read(): BenchState {
    const grams = this.shownG - this.tareG + this.creptG + SCALE.noiseG * this.jitter()
    const millivolt = this.shownMv + METER.noiseMv * this.jitter()
    const sample = this.sample?.name ?? ''
    return {
      at: momentOf(this.nowMs),
      scale: {
        value: Math.round(grams / SCALE.stepG) * SCALE.stepG,
        steady: Math.abs(this.shownG - this.loadG) < SCALE.steadyWithinG,
        tareG: this.tareG,
      },
      ph: {
        value: this.sample ? Math.round(phOfMv(millivolt, this.shownC, this.calibration) * 100) / 100 : null,
        steady: this.sample !== null && Math.abs(this.shownMv - this.settledMv) < METER.steadyMv,
        millivolt: this.sample ? Math.round(millivolt * 10) / 10 : null,
        slopePct: Math.round(this.calibration.slopePct * 10) / 10,
        calibratedAt: momentOf(this.calibration.atMs),
        sample,
      },
      probes: this.probes.map(({ id, name, tempC, shownC }) => ({
        id,
        name,
        value: Math.round((shownC + PROBE.noiseC * this.jitter()) * 10) / 10,
        steady: Math.abs(shownC - tempC) < 2 * DAILY_C,
      })),
      thermometer: {
        value: Math.round((this.shownC + PROBE.noiseC * this.jitter()) * 10) / 10,
        steady: Math.abs(this.shownC - (this.sample?.tempC ?? ROOM_C)) < 0.15,
        sample,
      },
    }
  }
}
