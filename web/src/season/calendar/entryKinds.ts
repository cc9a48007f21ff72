/** What a day of the calendar can be. */
export const entryKinds = [
  { value: 'rehearsal', label: 'Rehearsal' },
  { value: 'off', label: 'Nobody practices' },
  { value: 'concert', label: 'Concert, festival, audition' },
  { value: 'minutes', label: 'Other minutes than usual' },
]

/** The kind in words. */
export const kindWords = (kind: string) => entryKinds.find((k) => k.value === kind)?.label ?? kind
