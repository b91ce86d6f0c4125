import type { Whereabouts } from "@anvilcloud/core";
import { styled } from "styled-components";
import useSWR from "swr";
import { getJson, whereaboutsKey } from "../../data/index.ts";
import { color, font, narrow, size, space } from "../../theme/index.ts";
import { Failed, Loading, Notice, PageTitle, Quiet } from "../../ui/index.ts";
import { ColumnPage } from "../shared/page.ts";

const Beside = styled.div`
  display: grid;
  grid-template-columns: 260px 1fr;
  gap: ${space.xl};
  align-items: start;
  img {
    width: 100%;
    background: #fff;
    border: 1.5px solid ${color.strongLine};
  }
  ol {
    display: grid;
    gap: ${space.m};
    padding-left: 1.4em;
    list-style: decimal;
  }
  ${narrow} {
    grid-template-columns: 1fr;
    img {
      max-width: 260px;
    }
  }
`;

/** A fingerprint in four lines of four groups, as every other place shows it: two of them are compared line by line. */
const Fingerprint = styled.code`
  display: grid;
  grid-template-columns: repeat(4, max-content);
  gap: ${space.xs} ${space.l};
  margin: ${space.s} 0;
  font-family: ${font.mono};
  font-size: ${size.lead};
`;

const Command = styled.pre`
  margin: ${space.s} 0;
  white-space: pre-wrap;
  font-family: ${font.mono};
`;

const asImage = (svg: string) => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;

function Addresses({ addresses }: { addresses: readonly string[] }) {
  return (
    <>
      {addresses.map((address, at) => (
        <span key={address}>
          {at > 0 && " or "}
          <a href={address}>{address}</a>
        </span>
      ))}
    </>
  );
}

function ToTrust({ where }: { where: Whereabouts & { trust: NonNullable<Whereabouts["trust"]> } }) {
  const { address, fingerprint } = where.trust;
  return (
    <ol>
      <li>
        With the phone in the same network, scan the code, or open <a href={address}>{address}</a>. That page
        says how to have the phone trust this Anvilcloud, which is done once.
      </li>
      <li>
        Compare the SHA-256 that the phone itself shows for the certificate with this, digit by digit:
        <Fingerprint>
          {fingerprint.split(" ").map((group, at) => (
            <span key={at}>{group} </span>
          ))}
        </Fingerprint>
        <Quiet as="span">
          If one digit differs, somebody stands in between: remove the certificate at once.
        </Quiet>
      </li>
      <li>
        Then open <Addresses addresses={where.addresses} /> on the phone and give the passphrase.
      </li>
    </ol>
  );
}

function HowTo({ where }: { where: Whereabouts }) {
  if (!where.addresses.length)
    return (
      <Notice tone="note" title="Only this machine reaches it now">
        Anvilcloud was started for this machine alone. Start it for the network as well, with a passphrase of
        four or five words:
        <Command>HOST=0.0.0.0 PASSPHRASE=&quot;four or five words&quot; npm run demo</Command>
        It then speaks over an encrypted line, and this page shows what to scan.
      </Notice>
    );
  return (
    <Beside>
      {where.code && <img src={asImage(where.code)} alt="The address as a code to scan" />}
      {where.trust ? (
        <ToTrust where={{ ...where, trust: where.trust }} />
      ) : (
        <p>
          Scan the code with the phone, or open <Addresses addresses={where.addresses} />, and give the
          passphrase.
        </p>
      )}
    </Beside>
  );
}

/** How a phone comes to this Anvilcloud. */
export function Component() {
  const { data, error, mutate } = useSWR<Whereabouts, Error>(whereaboutsKey, getJson);
  return (
    <ColumnPage>
      <PageTitle>On a phone</PageTitle>
      {error && <Failed what="Where this Anvilcloud is found" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="addresses" />}
      {data && <HowTo where={data} />}
    </ColumnPage>
  );
}
