import { generateKeyPair, randomBytes, X509Certificate } from 'node:crypto';
import { BlockList, isIPv4 } from 'node:net';
import { promisify } from 'node:util';
import forge from 'node-forge';

/** A certificate and the key that belongs to it, as PEM. */
export interface Pair {
  cert: string;
  key: string;
}
/** Who vouches for certificates of one machine. */
export interface Authority extends Pair {
  /** hosts beyond those of home networks that it may speak for */
  named: readonly string[];
}

const KEY_BITS = 2048;
const DAY_MS = 86_400_000;
/** A phone trusts it once; to do so again every year would be no help. */
const AUTHORITY_DAYS = 3650;
/**
 * The longest that phones take from an authority of the keeper's own.
 * @source Apple, "Requirements for trusted certificates in iOS 13 and macOS 10.15": 825 days, from memory
 */
const CERTIFICATE_DAYS = 820;
/** What is about to end is made anew. */
const RENEW_DAYS = 30;
/** Clocks of phones go wrong. */
const BEFORE_MS = DAY_MS;

/**
 * Addresses of networks at home, that nobody has in the internet.
 * @source RFC 1918 §3, RFC 3927 §2.1, RFC 1122 §3.2.1.3
 */
const AT_HOME = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
  ['127.0.0.0', 8],
] as const;
/** Names that only the network at home knows. @source RFC 6762 §3, RFC 6761 §6.3 */
const NAMES_AT_HOME = ['local', 'localhost'];

const generated = promisify(generateKeyPair);
async function newKey(): Promise<string> {
  const { privateKey } = await generated('rsa', { modulusLength: KEY_BITS });
  return privateKey.export({ type: 'pkcs8', format: 'pem' }).toString();
}

function begun(key: string, days: number, now: number) {
  const cert = forge.pki.createCertificate();
  const { n, e } = forge.pki.privateKeyFromPem(key);
  cert.publicKey = forge.pki.setRsaPublicKey(n, e);
  // Positive, and never the same twice.
  cert.serialNumber = `01${randomBytes(15).toString('hex')}`;
  cert.validity.notBefore = new Date(now - BEFORE_MS);
  cert.validity.notAfter = new Date(now + days * DAY_MS);
  return cert;
}

/**
 * An authority for one machine. It is limited to addresses of home networks and to those given: what
 * it signed for any other site, whoever had stolen its key, would be refused by the phone.
 *
 * @param named  IPv4 addresses and names of this machine
 * @param now  ms
 */
export async function makeAuthority(
  named: readonly string[],
  now = Date.now(),
): Promise<Authority> {
  const key = await newKey();
  const cert = begun(key, AUTHORITY_DAYS, now);
  const subject = [
    { name: 'commonName', value: `Fernbank at home, ${randomBytes(3).toString('hex')}` },
    { name: 'organizationName', value: 'Fernbank' },
  ];
  cert.setSubject(subject);
  cert.setIssuer(subject);
  cert.setExtensions([
    { name: 'basicConstraints', critical: true, cA: true, pathLenConstraint: 0 },
    { name: 'keyUsage', critical: true, keyCertSign: true, cRLSign: true },
    { name: 'subjectKeyIdentifier' },
    nameConstraints(named),
  ]);
  cert.sign(forge.pki.privateKeyFromPem(key), forge.md.sha256.create());
  return { cert: forge.pki.certificateToPem(cert), key, named };
}

/** @source RFC 5280 §4.2.1.10 */
function nameConstraints(named: readonly string[]) {
  const { asn1 } = forge;
  const { CONTEXT_SPECIFIC, UNIVERSAL } = asn1.Class;
  const subtree = (tag: number, bytes: string) =>
    asn1.create(UNIVERSAL, asn1.Type.SEQUENCE, true, [
      asn1.create(CONTEXT_SPECIFIC, tag, false, bytes),
    ]);
  const DNS_NAME = 2;
  const IP_ADDRESS = 7;
  const addresses = named.filter(isIPv4).map((address) => [address, 32] as const);
  const names = named.filter((host) => !isIPv4(host));
  const permitted = [
    ...[...NAMES_AT_HOME, ...names].map((name) => subtree(DNS_NAME, name)),
    ...[...AT_HOME, ...addresses].map(([address, bits]) =>
      subtree(IP_ADDRESS, String.fromCharCode(...octetsOf(address), ...maskOf(bits))),
    ),
    // Of version 6 only what is private: with none named, all of it would be permitted.
    subtree(IP_ADDRESS, String.fromCharCode(...UNIQUE_LOCAL)),
  ];
  const value = asn1.create(UNIVERSAL, asn1.Type.SEQUENCE, true, [
    asn1.create(CONTEXT_SPECIFIC, 0, true, permitted),
  ]);
  return { id: '2.5.29.30', critical: true, value: asn1.toDer(value).getBytes() };
}
/** fc00::/7, address and mask. @source RFC 4193 §3.1 */
const UNIQUE_LOCAL = [0xfc, ...Array<number>(15).fill(0), 0xfe, ...Array<number>(15).fill(0)];
const octetsOf = (address: string) => address.split('.').map(Number);
const maskOf = (bits: number) =>
  [24, 16, 8, 0].map((shift) => ((0xffffffff << (32 - bits)) >>> shift) & 0xff);

/**
 * A certificate for what this machine is called.
 *
 * @param hosts  IPv4 addresses and names
 * @param now  ms
 */
export async function certificateFor(
  authority: Pair,
  hosts: readonly string[],
  now = Date.now(),
): Promise<Pair> {
  const key = await newKey();
  const cert = begun(key, CERTIFICATE_DAYS, now);
  cert.setSubject([{ name: 'commonName', value: 'Fernbank' }]);
  const issuer = forge.pki.certificateFromPem(authority.cert);
  cert.setIssuer(issuer.subject.attributes);
  const altNames = hosts.map((host) =>
    isIPv4(host) ? { type: 7, ip: host } : { type: 2, value: host },
  );
  cert.setExtensions([
    { name: 'basicConstraints', critical: true, cA: false },
    { name: 'keyUsage', critical: true, digitalSignature: true, keyEncipherment: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames },
    {
      name: 'authorityKeyIdentifier',
      keyIdentifier: issuer.generateSubjectKeyIdentifier().getBytes(),
    },
  ]);
  cert.sign(forge.pki.privateKeyFromPem(authority.key), forge.md.sha256.create());
  return { cert: forge.pki.certificateToPem(cert), key };
}

/** Whether a certificate goes on serving: by this authority, for all of these, for a month at least. */
export function stillServes(
  { cert }: Pair,
  authority: Pair,
  hosts: readonly string[],
  now = Date.now(),
): boolean {
  const one = new X509Certificate(cert);
  const names = hosts.every((host) => (isIPv4(host) ? one.checkIP(host) : one.checkHost(host)));
  const lasts = Date.parse(one.validTo) - now > RENEW_DAYS * DAY_MS;
  return names && lasts && one.verify(new X509Certificate(authority.cert).publicKey);
}

/** Whether an authority may speak for a host: at home, or named when it was made. */
export function covers({ named }: Authority, host: string): boolean {
  if (named.includes(host)) return true;
  if (!isIPv4(host))
    return NAMES_AT_HOME.some((name) => host === name || host.endsWith(`.${name}`));
  const atHome = new BlockList();
  for (const [net, bits] of AT_HOME) atHome.addSubnet(net, bits);
  return atHome.check(host);
}

/** SHA-256 of a certificate, as phones show it: pairs of digits. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;
