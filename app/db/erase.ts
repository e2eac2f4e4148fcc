import { hasPrivateFiles, witness } from '~/workers/witness'
import { drafts } from './drafts'
import { forecasts } from './forecasts'
import { noteEntries } from './hadEntries'
import { journal } from './journal'
import { links } from './links'
import { forgetUnsaved } from './unsaved'

/** So often and so far apart it is tried to remove what another tab still holds; ms. */
const TRIES = 25
const APART_MS = 200

async function removeFiles(): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      return await witness().erase()
    } catch (error) {
      if (tries === TRIES) throw error
      await new Promise((resolve) => setTimeout(resolve, APART_MS))
    }
  }
}

/** Erases the log on this device: the database, begun forms, forecasts and the second copy. The next start is new. */
export async function eraseAll(): Promise<void> {
  if (hasPrivateFiles()) await witness().beginErasing()
  forgetUnsaved()
  noteEntries(false)
  await Promise.all(
    [journal, drafts.db, forecasts.db, links].map((database) => database.delete({ disableAutoOpen: true })),
  )
  if (hasPrivateFiles()) await removeFiles()
}
