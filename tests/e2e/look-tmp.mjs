import { chromium } from 'playwright'
const [name, url, ...steps] = process.argv.slice(2)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text()))
page.on('pageerror', (e) => console.log('error:', e.message))
await page.goto('http://127.0.0.1:5299' + url)
await page.waitForLoadState('networkidle')
let full = false
for (const s of steps) {
  const [what, ...rest] = s.split(':'); const arg = rest.join(':')
  if (what === 'tab') await page.getByRole('tab', { name: arg }).click()
  if (what === 'click') await page.getByRole('button', { name: arg }).first().click()
  if (what === 'link') await page.getByRole('link', { name: arg }).first().click()
  if (what === 'text') await page.getByText(arg).first().click()
  if (what === 'key') await page.keyboard.press(arg)
  if (what === 'select') { const [label, value] = arg.split('='); await page.getByLabel(label, { exact: true }).selectOption(value) }
  if (what === 'files') await page.locator('input[type=file]').first().setInputFiles(arg.split(','))
  if (what === 'wait') await page.waitForTimeout(Number(arg))
  if (what === 'full') full = true
}
await page.waitForTimeout(400)
await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full })
await browser.close()
