import { createPrivateKey, webcrypto } from 'node:crypto';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  NameConstraints,
  id_ce_nameConstraints,
} from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

/** A certificate and its key, PEM. */
export interface KeyPair {
  cert: string;
  key: string;
}

/** Addresses that never lead out of the house: what the authority may vouch for. */
const HOME_NETWORKS = ['10.0.0.0/8', '127.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16'];

const subtree = (base: GeneralName) => new GeneralSubtree({ base });

/** Private addresses and this machine's own names, and nothing else: a stolen key is of no use elsewhere. */
function constraints(names: string[]): x509.Extension {
  const permitted = new GeneralSubtrees([
    ...HOME_NETWORKS.map((network) => subtree(new GeneralName({ iPAddress: network }))),
    ...names.map((name) => subtree(new GeneralName({ dNSName: name }))),
  ]);
  const value = AsnConvert.serialize(new NameConstraints({ permittedSubtrees: permitted }));
  return new x509.Extension(id_ce_nameConstraints, true, value);
}

/**
 * Makes a certificate authority for this machine, by ECDSA over P-256.
 *
 * @param hosts this machine's own names
 * @param from from when it holds, and until when
 */
export async function makeAuthority(name: string, hosts: string[], from: Date, until: Date): Promise<KeyPair> {
  const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const crypto = webcrypto as unknown as Crypto;
  const keys = await crypto.subtle.generateKey(algorithm, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.createSelfSigned(
    {
      name: `CN=${name}`,
      keys,
      signingAlgorithm: algorithm,
      notBefore: from,
      notAfter: until,
      extensions: [
        new x509.BasicConstraintsExtension(true, 0, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
        await x509.SubjectKeyIdentifierExtension.create(keys.publicKey, false, crypto),
        constraints(hosts),
      ],
    },
    crypto,
  );
  const pkcs8 = Buffer.from(await crypto.subtle.exportKey('pkcs8', keys.privateKey));
  const key = createPrivateKey({ key: pkcs8, format: 'der', type: 'pkcs8' });
  return { cert: certificate.toString('pem'), key: String(key.export({ format: 'pem', type: 'pkcs8' })) };
}

/** The names an authority may vouch for besides addresses; null where it may vouch for any. */
export function namesAllowed(cert: string): string[] | null {
  const extension = new x509.X509Certificate(cert).getExtension(id_ce_nameConstraints);
  if (!extension) return null;
  const { permittedSubtrees } = AsnConvert.parse(extension.value, NameConstraints);
  return [...(permittedSubtrees ?? [])].flatMap(({ base }) => (base.dNSName === undefined ? [] : [base.dNSName]));
}
