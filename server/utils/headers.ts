import { createHash } from 'node:crypto'

/** What a page of this app may load and do: only what it brought itself, and no script that is written into the page. */
const POLICY = {
  'default-src': "'self'",
  'img-src': "'self' data: blob:",
  // Bars and plugs are drawn by widths that the page sets; scripts are what could do harm.
  'style-src': "'self' 'unsafe-inline'",
  'worker-src': "'self'",
  'manifest-src': "'self'",
  'object-src': "'none'",
  'base-uri': "'none'",
  'form-action': "'self'",
  'frame-ancestors': "'none'",
}

/** The content security policy of a page, with the scripts that stand in it by their hashes. */
export function policyFor(html = ''): string {
  const inline = [...html.matchAll(/<script(?![^>]*\bsrc=)([^>]*)>([\s\S]*?)<\/script>/g)]
    .filter(([, attributes]) => !/type="application\/json"/.test(attributes!))
    .map(([, , body]) => `'sha256-${createHash('sha256').update(body!).digest('base64')}'`)
  const scripts = ["'self'", ...inline].join(' ')
  return [...Object.entries(POLICY), ['script-src', scripts]].map(([what, who]) => `${what} ${who}`).join('; ')
}

/** What stands on every answer. */
export const SECURITY_HEADERS: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(self), geolocation=(), microphone=(), payment=(), usb=()',
}
