/**
 * The preview frame's document. Its policy lets nothing in but the probe, and `sandbox` without same-origin
 * keeps it apart from the app even when it is opened by address.
 */
const POLICY = [
  "default-src 'none'",
  "script-src 'self'",
  "style-src 'self'",
  'img-src blob: data:',
  'media-src blob: data:',
  "base-uri 'none'",
  "form-action 'none'",
  "frame-ancestors 'self'",
  'sandbox allow-scripts'
].join('; ');

const DOCUMENT = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Preview</title><link rel="stylesheet" href="/frame.css"><script src="/frame/probe.js" defer></script></head><body></body></html>
`;

export function GET() {
  return new Response(DOCUMENT, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': POLICY,
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'cache-control': 'no-cache'
    }
  });
}
