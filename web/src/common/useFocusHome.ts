import { onBeforeUnmount, onMounted } from 'vue'

const homes = ['.list [aria-current=true] button', 'aside.list', '.ant-modal-content input', '#main button', '#main']

const fadeMilliseconds = 250

/** Keeps the keyboard's place: when what had the focus is gone after an act or a closed dialog, the list of the page has it. */
export function useFocusHome() {
  let last: Element | null = null
  let asked = 0
  const remember = (e: FocusEvent) => (last = e.target as Element)

  function goHome() {
    if (document.activeElement !== document.body || !last || isThere(last)) return
    for (const home of homes) {
      const found = document.querySelector<HTMLElement>(home)
      if (!found || !isThere(found)) continue
      if (!found.matches('button, input, [tabindex]')) found.tabIndex = -1
      found.focus({ preventScroll: true })
      return
    }
  }

  // A dialog that fades out lets the focus go only at its end.
  const later = () => setTimeout(goHome, fadeMilliseconds)
  const watch = new MutationObserver(() => {
    cancelAnimationFrame(asked)
    asked = requestAnimationFrame(goHome)
  })
  onMounted(() => {
    document.addEventListener('focusin', remember)
    document.addEventListener('focusout', later)
    document.addEventListener('keyup', later)
    watch.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['style', 'disabled'],
    })
  })
  onBeforeUnmount(() => {
    document.removeEventListener('focusin', remember)
    document.removeEventListener('focusout', later)
    document.removeEventListener('keyup', later)
    watch.disconnect()
  })
}

const isThere = (e: Element) => e.isConnected && e.getClientRects().length > 0 && !(e as HTMLButtonElement).disabled
