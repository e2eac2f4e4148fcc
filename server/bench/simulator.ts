import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import type { BenchCommand, BenchState } from '@lactofer/core'

const HOUR_MS = 3_600_000

/** Constants of the simulated instruments; plausible for small bench instruments, judgement. */
const SCALE = { lagS: 0.35, noiseG: 0.06, stepG: 0.1, steadyWithinG: 0.4 }
const METER = { lagS: 5, noise: 0.004, slopeLossPctPerHour: 0.12, offsetPerHour: 0.0015, freshSlopePct: 98.5 }
const PROBE = { lagS: 4, noiseC: 0.04 }
const ROOM_C = 21.4

/** A scale, a pH meter and a thermometer that behave: they lag, settle, jitter, and the meter drifts from its calibration on. */
export class BenchSimulator {
  private readonly generator
  private loadG = 0
  private shownG = 0
  private tareG = 0
  private sample: { name: string, ph: number, tempC: number } | null = null
  private shownPh = 7
  private shownC = ROOM_C
  private calibratedMs: number
  private nowMs: number

  constructor(nowMs: number, seed: number) {
    this.generator = xoroshiro128plus(seed)
    this.nowMs = nowMs
    this.calibratedMs = nowMs - 2 * HOUR_MS
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
      case 'load': this.loadG = command.massG; break
      case 'tare': this.tareG = this.loadG; break
      case 'dip': this.sample = { name: command.sample, ph: command.ph, tempC: command.tempC }; break
      case 'lift': this.sample = null; break
      case 'calibrate': this.calibratedMs = this.nowMs; break
    }
  }

  private get hoursSinceCalibration() { return (this.nowMs - this.calibratedMs) / HOUR_MS }
  private get slopePct() { return METER.freshSlopePct - METER.slopeLossPctPerHour * this.hoursSinceCalibration }

  /** pH the meter would settle on: the sample's, seen through the slope lost and the offset gained since calibration. */
  private get settledPh() {
    if (!this.sample) return this.shownPh
    const slope = this.slopePct / METER.freshSlopePct
    return 7 + (this.sample.ph - 7) * slope + METER.offsetPerHour * this.hoursSinceCalibration
  }

  /** Lets the time pass up to `nowMs`. A cold sample makes the electrode slower. */
  run(nowMs: number): void {
    const seconds = Math.max(0, (nowMs - this.nowMs) / 1000)
    this.nowMs = nowMs
    const toward = (from: number, to: number, lagS: number) => to + (from - to) * Math.exp(-seconds / lagS)
    this.shownG = toward(this.shownG, this.loadG, SCALE.lagS)
    this.shownC = toward(this.shownC, this.sample?.tempC ?? ROOM_C, PROBE.lagS)
    const cold = this.sample ? Math.max(1, 1 + (20 - this.sample.tempC) / 15) : 1
    this.shownPh = toward(this.shownPh, this.settledPh, METER.lagS * cold)
  }

  /** What the instruments show now. */
  read(): BenchState {
    const grams = this.shownG - this.tareG + SCALE.noiseG * this.jitter()
    const ph = this.shownPh + METER.noise * this.jitter()
    const sample = this.sample?.name ?? ''
    const nernst = 59.16 * (273.15 + this.shownC) / 298.15 * this.slopePct / 100
    return {
      at: new Date(this.nowMs).toISOString(),
      scale: { value: Math.round(grams / SCALE.stepG) * SCALE.stepG, steady: Math.abs(this.shownG - this.loadG) < SCALE.steadyWithinG, tareG: this.tareG },
      ph: {
        value: this.sample ? Math.round(ph * 100) / 100 : null, steady: this.sample !== null && Math.abs(this.shownPh - this.settledPh) < 0.015,
        millivolt: this.sample ? Math.round((7 - ph) * nernst * 10) / 10 : null, slopePct: Math.round(this.slopePct * 10) / 10, calibratedAt: new Date(this.calibratedMs).toISOString(), sample,
      },
      thermometer: { value: Math.round((this.shownC + PROBE.noiseC * this.jitter()) * 10) / 10, steady: Math.abs(this.shownC - (this.sample?.tempC ?? ROOM_C)) < 0.15, sample },
    }
  }
}
