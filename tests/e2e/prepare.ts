import { rmSync } from 'node:fs'
import { prepareDemo } from './stand.mjs'

/** The demo school is made once; each server of the tests has a copy of it. */
export default async function prepare() {
  const folder = await prepareDemo()
  process.env.STAND_DEMO = folder
  return () => rmSync(folder, { recursive: true, force: true })
}
