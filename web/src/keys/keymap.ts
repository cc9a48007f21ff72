/** Every key of the desk: where it works, what it does, and its words on the page of keys. The stations must serve all of theirs: see
 *  useStationKeys. */
export const keymap = {
  everywhere: {
    help: { key: '?', words: 'This list' },
    play: {
      key: ' ',
      shown: 'Space',
      words: 'Play or stop the selection; Enter presses the button that has the focus',
    },
    faster: { key: 'ArrowUp', shown: 'Up', words: 'While it plays: faster (with Shift by five)' },
    slower: { key: 'ArrowDown', shown: 'Down', words: 'While it plays: slower (with Shift by five)' },
    clear: { key: 'Escape', shown: 'Esc', words: 'Clear the selection: all parts, all measures' },
    undo: { key: 'z', shown: 'Ctrl + Z', words: 'Undo what was done last' },
    mark: { key: 'm', words: 'Write a mark or a remark into the selection' },
    parts: { key: 'p', words: 'Choose parts: one by one, by section or by line' },
    strip: { key: 'g', words: 'Go to the strip' },
    list: { key: 'l', words: 'Go to the list of the station' },
  },
  study: {
    next: { key: 'j', words: 'Next finding' },
    previous: { key: 'k', words: 'Previous finding' },
    writeIn: { key: 'w', words: 'Write it into the parts' },
    dismiss: { key: 'd', words: 'Dismiss it, or bring it back' },
    send: { key: 'y', words: 'Players read it' },
    hold: { key: 'h', words: 'Hold it back from players' },
    reword: { key: 'r', words: 'Reword it for players' },
  },
  unify: {
    next: { key: 'j', words: 'Next difference' },
    previous: { key: 'k', words: 'Previous difference' },
    accept: { key: 'a', words: 'Accept the proposal' },
    returns: { key: 'r', words: 'Accept it wherever the music returns' },
    sure: { key: 's', words: 'Accept the sure ones, after a look at them' },
    other: { key: 'o', words: 'Take another reading' },
    keep: { key: 'e', words: 'Keep it as printed' },
    undo: { key: 'u', words: 'Undo what was decided of it' },
  },
  bows: {
    next: { key: 'j', words: 'Next stroke' },
    previous: { key: 'k', words: 'Previous stroke' },
    turn: { key: 't', words: 'Turn the stroke' },
    writeIn: { key: 'w', words: 'Write the bows in' },
  },
  technique: {
    next: { key: 'j', words: 'Next choice' },
    previous: { key: 'k', words: 'Previous choice' },
    take: { key: 't', words: 'Take the easiest other way' },
    writeIn: { key: 'w', words: 'Write the fingerings in' },
  },
  tempo: {
    next: { key: 'j', words: 'Next step' },
    previous: { key: 'k', words: 'Previous step' },
    hear: { key: 'h', words: 'Play the step' },
  },
  assign: {
    next: { key: 'j', words: 'Next passage' },
    previous: { key: 'k', words: 'Previous passage' },
    handOut: { key: 'h', words: 'Hand out the selection' },
    edit: { key: 'e', words: 'Edit the passage' },
    takeBack: { key: 'd', words: 'Take the passage back' },
  },
  hear: {
    next: { key: 'j', words: 'Next player' },
    previous: { key: 'k', words: 'Previous player' },
    log: { key: 't', words: 'Type the tempo of this player, Enter logs it' },
  },
} as const satisfies Record<string, Record<string, { key: string; words: string; shown?: string }>>

export type Keymap = typeof keymap
export type KeyPlace = keyof Keymap
/** Names of the acts of a place. */
export type ActOf<P extends KeyPlace> = keyof Keymap[P] & string

/** Keys of the strip itself, while it has the focus. */
export const stripKeys = [
  ['Arrow keys', 'Move the selection'],
  ['Shift + left or right', 'Shorten or lengthen it'],
  ['Shift + up or down', 'Take more or fewer parts'],
  ['Home, End', 'To the first or last measures'],
  ['+ and −, wheel', 'Zoom'],
] as const

/** Titles of the places on the page of keys. */
export const placeTitles: Record<KeyPlace, string> = {
  everywhere: 'Everywhere in a piece',
  study: 'Study',
  unify: 'Unify',
  bows: 'Unify: bows',
  technique: 'Technique',
  tempo: 'Tempo',
  assign: 'Assign',
  hear: 'Hear',
}
