/** Rejects when a promise has not answered in time. */
export const inTime = <Answer>(promise: Promise<Answer>, ms: number): Promise<Answer> =>
  Promise.race([
    promise,
    new Promise<never>((_resolve, reject) => setTimeout(() => reject(new Error('No answer in time.')), ms)),
  ])
