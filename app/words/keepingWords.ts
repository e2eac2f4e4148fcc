import type { StorageProblem } from '~/stores/keeping'

/** Why nothing can be kept, what works all the same, and what to do. */
export interface ProblemWords {
  /** What it comes to, where that is not that nothing can be kept. */
  mark?: string
  what: string
  works: string
  todo: string
}

const WORKS = 'Planning and calculating work as always; nothing you enter is recorded or kept.'

/** Each way in which the store of this browser cannot be used, in words. */
export const PROBLEM_WORDS: Record<StorageProblem | 'erased', ProblemWords> = {
  missing: {
    what: 'This browser has no place where a log could be kept.',
    works: WORKS,
    todo: 'Open Lactofer in another browser, or an ordinary window of this one.',
  },
  denied: {
    what: 'This browser lets Lactofer keep nothing: a private window, or site data that was switched off.',
    works: WORKS,
    todo: 'Allow this address to keep data, or open it in an ordinary window; then reload.',
  },
  full: {
    what: 'The disk of this device is full, or this browser has used up its share.',
    works: 'Planning and calculating work; nothing new can be recorded, and what is in the log is not touched.',
    todo: 'Make room on the device, then reload. Save an archive first if you can.',
  },
  newer: {
    what: 'The log on this device was opened by a newer Lactofer, which this page is not.',
    works: 'The log is left alone until then.',
    todo: 'Reload to get the newer one. If this stays, close all tabs of Lactofer first.',
  },
  aside: {
    what: 'A newer Lactofer was opened in another tab, so this one has stepped aside.',
    works: 'What you had typed is saved and waits for you.',
    todo: 'Reload to go on here.',
  },
  erased: {
    what: 'The log was erased in another tab.',
    works: 'Nothing is written from here.',
    todo: 'Reload to begin anew.',
  },
  part: {
    mark: 'The log is not read',
    what: 'A part of Lactofer could not be fetched, and the log cannot be read without it.',
    works: 'Nothing in the log is touched.',
    todo: 'Reload when the network, or the computer that serves Lactofer, is there again.',
  },
  unreadable: {
    what: 'The log in this browser could not be opened.',
    works: WORKS,
    todo: 'Close all tabs of Lactofer and this browser, and open it again. If this stays, bring in an archive in another browser.',
  },
}
