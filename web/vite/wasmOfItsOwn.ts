import type { Plugin } from 'vite'

const engraver = /verovio-module\.mjs$/
const literal = /binaryDecode\(('(?:[^'\\]|\\[^])*')\)/
const instantiated = 'WebAssembly.instantiate(binary,imports)'

/** The engraver's package holds its program as a string of seven megabytes, which each page would read and compile anew. In a file of its
 *  own it is compiled while it comes, and a browser may keep what it compiled.
 *  @throws where the package no longer looks as it did: it is pinned, and whoever moves it on looks here. */
export function wasmOfItsOwn(): Plugin {
  return {
    name: 'wasm-of-its-own',
    apply: 'build',
    transform(code, id) {
      if (!engraver.test(id)) return null
      const found = literal.exec(code)
      if (!found || !code.includes(instantiated))
        this.error(`${id} no longer holds its program as it did: see wasmOfItsOwn`)
      const file = this.emitFile({ type: 'asset', name: 'engraver.wasm', source: bytesOf(found[1]!) })
      return code
        .replace(found[0], () => `fetch(import.meta.ROLLUP_FILE_URL_${file})`)
        .replace(instantiated, 'WebAssembly.instantiateStreaming(binary,imports)')
    },
  }
}

/** As the package decodes it: each character is a byte, and 256 stands for the zero. */
function bytesOf(text: string): Uint8Array {
  const characters = new Function(`return ${text}`)() as string
  return Uint8Array.from(characters, (c) => {
    const code = c.charCodeAt(0)
    return (~code >> 8) & code
  })
}
