import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import selfsigned from 'selfsigned';

export interface Certificate {
  readonly key: string;
  readonly cert: string;
  /** SHA-256, as browsers show it. */
  readonly fingerprint: string;
}

/** A certificate is made anew when fewer days than this are left of it. */
const LEAST_DAYS = 7;
const DAYS = 365;
const DAY = 86_400_000;

/** This machine's addresses in its networks, version 4. */
export const ownAddresses = (): readonly string[] =>
  Object.values(networkInterfaces())
    .flat()
    .flatMap((one) => (one && one.family === 'IPv4' && !one.internal ? [one.address] : []));

const withFingerprint = (key: string, cert: string): Certificate => ({
  key,
  cert,
  fingerprint: new X509Certificate(cert).fingerprint256,
});

function kept(folder: string, addresses: readonly string[]): Certificate | null {
  const files = [join(folder, 'key.pem'), join(folder, 'cert.pem')] as const;
  if (!files.every(existsSync)) return null;
  const [key, cert] = [readFileSync(files[0], 'utf8'), readFileSync(files[1], 'utf8')];
  const read = new X509Certificate(cert);
  const isLasting = Date.parse(read.validTo) - Date.now() > LEAST_DAYS * DAY;
  const coversAll = addresses.every((address) => read.checkIP(address) !== undefined);
  return isLasting && coversAll ? withFingerprint(key, cert) : null;
}

/**
 * A certificate for this machine's addresses, made on the spot and kept, so that a browser that was told to trust it need
 * not be told again. Nobody vouches for it: browsers warn, and the fingerprint is how to know that it is this one.
 *
 * @param folder - kept here, readable by its owner alone
 */
export async function ownCertificate(folder: string): Promise<Certificate> {
  const addresses = ['127.0.0.1', ...ownAddresses()];
  const found = kept(folder, addresses);
  if (found) return found;
  const made = await selfsigned.generate([{ name: 'commonName', value: 'Cool Reel on this machine' }], {
    keySize: 2048,
    algorithm: 'sha256',
    notBeforeDate: new Date(Date.now() - DAY),
    notAfterDate: new Date(Date.now() + DAYS * DAY),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [{ type: 2, value: 'localhost' }, ...addresses.map((ip) => ({ type: 7 as const, ip }))],
      },
    ],
  });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, 'key.pem'), made.private, { mode: 0o600 });
  writeFileSync(join(folder, 'cert.pem'), made.cert);
  return withFingerprint(made.private, made.cert);
}
