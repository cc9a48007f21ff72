/** The music of a single part without its name: the page says whose it is. Of two parts the names tell which is which. */
export function withoutNames(xml: string): string {
  const parts = xml.match(/<score-part /g)?.length ?? 0
  return parts > 1 ? xml : xml.replace(/<part-name>[^<]*<\/part-name>/, '<part-name></part-name>')
}
