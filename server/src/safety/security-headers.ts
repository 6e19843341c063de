import { createMiddleware } from 'hono/factory';

const POLICY = [
  "default-src 'self'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "worker-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' blob: data:",
  "frame-ancestors 'none'",
  "base-uri 'self'",
].join('; ');

export const securityHeaders = createMiddleware(async (c, next) => {
  await next();
  c.header('Content-Security-Policy', POLICY);
  c.header('X-Content-Type-Options', 'nosniff');
  c.header('Referrer-Policy', 'same-origin');
  c.header('Cross-Origin-Resource-Policy', 'same-origin');
  c.header('Permissions-Policy', 'camera=(), geolocation=(), microphone=(), payment=(), usb=()');
});
