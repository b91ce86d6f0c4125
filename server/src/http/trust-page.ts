import express, { type Express } from "express";
import helmet from "helmet";

/** What the page says: the authority's certificate as PEM, and where Anvilcloud is then found. */
export interface TrustPage {
  certificate: string;
  addresses: readonly string[];
}

const style = `
  body { font: 1.125rem/1.5 system-ui, sans-serif; max-width: 38rem; margin: 2rem auto; padding: 0 1rem; color: #1d2427; background: #f6f5f1; }
  a.file { display: block; padding: 1rem; border: 2px solid #1d2427; color: inherit; font-weight: 700; text-align: center; }
  .care { border-left: 4px solid #9a5b00; padding-left: 1rem; }
  li { margin: 0.5rem 0; }
`;

const page = ({ addresses }: TrustPage) => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this Anvilcloud</title>
<style>${style}</style>
<main>
<h1>Trust this Anvilcloud</h1>
<p>It made its own certificate. Tell this phone or computer once to trust it; then the line to it is private. The
certificate can vouch for private networks and for that machine only, never for a site of the world.</p>
<p><a class="file" href="/anvilcloud.crt" download>Get the certificate</a></p>
<p class="care"><strong>Compare it on this device.</strong> This page came over an open line, and proves nothing. The
SHA-256 that the device itself shows for the certificate must be, digit by digit, what Anvilcloud shows where it was
started, and under <em>On a phone</em> to whoever is signed in. If one digit differs, somebody stands in between: remove
the certificate at once.</p>
<h2>Android</h2>
<ol><li>Get the certificate.</li><li>Open the settings and search for <em>CA certificate</em>; choose to install one,
say that you mean it, and pick the file.</li><li>Search for <em>Trusted credentials</em>, look under <em>User</em>, open
it, and compare.</li></ol>
<h2>iPhone and iPad</h2>
<ol><li>Get the certificate and allow the profile.</li><li>In the settings, open the profile that was loaded, look at
its details, and compare.</li><li>Install it.</li><li>Under General, About, Certificate Trust Settings, switch it
on.</li></ol>
<h2>A computer</h2>
<ol><li>Get the certificate.</li><li>In the browser's settings search for <em>certificates</em>, open the authorities,
and import the file for websites.</li><li>View it there, and compare.</li></ol>
<h2>Then</h2>
<ul>${addresses.map((address) => `<li><a href="${address}">${address}</a></li>`).join("")}</ul>
</main>
</html>
`;

/**
 * What can be read before a phone trusts the server: how to, and the certificate, without TLS. It holds nothing that is
 * not public, takes nothing and sets no cookie.
 */
export function trustPage(parts: () => TrustPage): Express {
  const app = express();
  app.disable("x-powered-by");
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: { defaultSrc: ["'none'"], styleSrc: ["'unsafe-inline'"], frameAncestors: ["'none'"] },
      },
      strictTransportSecurity: false,
    }),
  );
  app.get("/", (_request, response) => {
    response.set("Cache-Control", "no-store").type("html").send(page(parts()));
  });
  app.get("/anvilcloud.crt", (_request, response) => {
    response.attachment("anvilcloud.crt").type("application/x-x509-ca-cert").send(parts().certificate);
  });
  app.use((_request, response) => {
    response
      .status(404)
      .type("text")
      .send("There is nothing here. The page that says how to trust Anvilcloud is at /.\n");
  });
  return app;
}
