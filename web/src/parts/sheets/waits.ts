/** What a printed page says of findings that nobody has reviewed: never that there are none. */
export const waitsWords = (count: number, others: number) => {
  const more = others > 0 ? ' more' : ''
  return count === 1
    ? `One${more} thing waits for your director’s review.`
    : `${count}${more} things wait for your director’s review.`
}
