// x509 asks for it before it is loaded.
import "reflect-metadata";
import { isIP } from "node:net";
import { AsnConvert } from "@peculiar/asn1-schema";
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints as nameConstraintsId,
  NameConstraints,
} from "@peculiar/asn1-x509";
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
  type JsonGeneralName,
} from "@peculiar/x509";

cryptoProvider.set(crypto);

/** A certificate and its private key, both as PEM. */
export interface Identity {
  certificate: string;
  key: string;
}

const algorithm = { name: "ECDSA", namedCurve: "P-256", hash: "SHA-256" };
const dayMs = 86_400_000;
/** Phones refuse a server's certificate that holds for more than 825 days, even one of an authority they were told to trust. */
const serverDays = 397;
const authorityDays = 3_650;

const later = (from: Date, days: number) => new Date(from.getTime() + days * dayMs);
/** Begins a day early, for clocks that are late. */
const earlier = (from: Date) => later(from, -1);

/**
 * Networks that lead to no other house (RFC 1918, RFC 3927, RFC 4193, RFC 4291), and names that are never a website's. An
 * authority made here can vouch for these and nothing else: who trusts it on a phone trusts it with no site of the world.
 */
const privateNetworks = [
  "127.0.0.0/8",
  "10.0.0.0/8",
  "172.16.0.0/12",
  "192.168.0.0/16",
  "169.254.0.0/16",
  "::1/128",
  "fc00::/7",
  "fe80::/10",
];
const privateNames = ["localhost", "local", "lan", "home.arpa", "internal"];

function onlyPrivate(names: readonly string[]): Extension {
  const subtree = (base: GeneralName) => new GeneralSubtree({ base });
  const own = names.filter((name) => !isIP(name));
  const constraints = new NameConstraints({
    permittedSubtrees: new GeneralSubtrees([
      ...[...new Set([...privateNames, ...own])].map((dNSName) => subtree(new GeneralName({ dNSName }))),
      ...privateNetworks.map((iPAddress) => subtree(new GeneralName({ iPAddress }))),
    ]),
  });
  return new Extension(nameConstraintsId, true, AsnConvert.serialize(constraints));
}

const pemKey = async (key: CryptoKey) =>
  PemConverter.encode(await crypto.subtle.exportKey("pkcs8", key), "PRIVATE KEY");

const keyPair = () => crypto.subtle.generateKey(algorithm, true, ["sign", "verify"]);

/** An authority of this installation's own, that may vouch for private networks and for these names of the machine. */
export async function makeAuthority(names: readonly string[], now: Date): Promise<Identity> {
  const keys = await keyPair();
  const name = `CN=Anvilcloud on ${(names[0] ?? "this machine").replace(/[^\w.-]/g, "")}`;
  const certificate = await X509CertificateGenerator.createSelfSigned({
    name,
    notBefore: earlier(now),
    notAfter: later(now, authorityDays),
    signingAlgorithm: algorithm,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
      onlyPrivate(names),
    ],
  });
  return { certificate: certificate.toString("pem"), key: await pemKey(keys.privateKey) };
}

const named = (value: string): JsonGeneralName => ({ type: isIP(value) ? "ip" : "dns", value });

/** A server's certificate for these names and addresses, signed by an authority. */
export async function makeServerIdentity(
  authority: Identity,
  names: readonly string[],
  now: Date,
): Promise<Identity> {
  const issuer = new X509Certificate(authority.certificate);
  const signingKey = await crypto.subtle.importKey(
    "pkcs8",
    PemConverter.decodeFirst(authority.key),
    algorithm,
    false,
    ["sign"],
  );
  const keys = await keyPair();
  const certificate = await X509CertificateGenerator.create({
    subject: `CN=${names[0] ?? "localhost"}`,
    issuer: issuer.subject,
    notBefore: earlier(now),
    notAfter: later(now, serverDays),
    signingAlgorithm: algorithm,
    publicKey: keys.publicKey,
    signingKey,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(names.map(named)),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
      await AuthorityKeyIdentifierExtension.create(issuer.publicKey),
    ],
  });
  return { certificate: certificate.toString("pem"), key: await pemKey(keys.privateKey) };
}
