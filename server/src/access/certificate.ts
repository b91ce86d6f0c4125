// x509 asks for it before it is loaded.
import "reflect-metadata";
import { BlockList, isIP } from "node:net";
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
 * authority made here can vouch for these and for this machine, and for nothing else: who trusts it on a phone trusts it
 * with no site of the world.
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

const inPrivate = new BlockList();
for (const network of privateNetworks) {
  const [address = "", bits] = network.split("/");
  inPrivate.addSubnet(address, Number(bits), familyOf(address));
}

function familyOf(address: string): "ipv4" | "ipv6" {
  return isIP(address) === 6 ? "ipv6" : "ipv4";
}

/** An address of the machine's own outside the private networks, as the one host it is. */
const oneHost = (address: string) => `${address}/${isIP(address) === 6 ? 128 : 32}`;

/** What an authority for these names and addresses may vouch for. */
function bounds(names: readonly string[]): GeneralName[] {
  const addresses = names.filter((name) => isIP(name) && !inPrivate.check(name, familyOf(name)));
  const own = names.filter((name) => !isIP(name));
  return [
    ...[...new Set([...privateNames, ...own])].map((dNSName) => new GeneralName({ dNSName })),
    ...[...privateNetworks, ...addresses.map(oneHost)].map((iPAddress) => new GeneralName({ iPAddress })),
  ];
}

const boundText = ({ dNSName, iPAddress }: GeneralName) => dNSName ?? iPAddress ?? "";

/** The bounds of an authority (RFC 5280, 4.2.1.10). */
function boundsExtension(names: readonly string[]): Extension {
  const permitted = bounds(names).map((base) => new GeneralSubtree({ base }));
  const constraints = new NameConstraints({ permittedSubtrees: new GeneralSubtrees(permitted) });
  return new Extension(nameConstraintsId, true, AsnConvert.serialize(constraints));
}

/** Whether an authority may vouch for all these names and addresses: those of the machine may have changed since it was made. */
export function vouchesFor(authority: string, names: readonly string[]): boolean {
  const extension = new X509Certificate(authority).getExtension(nameConstraintsId);
  if (!extension) return false;
  const { permittedSubtrees } = AsnConvert.parse(extension.value, NameConstraints);
  const permitted = new Set([...(permittedSubtrees ?? [])].map(({ base }) => boundText(base)));
  return bounds(names)
    .map((name) => boundText(AsnConvert.parse(AsnConvert.serialize(name), GeneralName)))
    .every((name) => permitted.has(name));
}

const pemKey = async (key: CryptoKey) =>
  PemConverter.encode(await crypto.subtle.exportKey("pkcs8", key), "PRIVATE KEY");

const keyPair = () => crypto.subtle.generateKey(algorithm, true, ["sign", "verify"]);

/**
 * An authority of this installation's own, that may vouch for private networks and for these names and addresses
 * of the machine.
 */
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
      boundsExtension(names),
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
