/** The letters of all charts: the face of the page, large enough to be read at arm's length. */
export const chartText = (color: string) => ({
  color,
  fontFamily: 'Atkinson Hyperlegible Next Variable',
  fontSize: 13,
})
