import type { RequestHandler } from "express";
import helmet from "helmet";

/** What a page here never asks a browser for. */
const refused = [
  "accelerometer",
  "browsing-topics",
  "camera",
  "display-capture",
  "geolocation",
  "gyroscope",
  "hid",
  "identity-credentials-get",
  "idle-detection",
  "local-fonts",
  "magnetometer",
  "microphone",
  "midi",
  "payment",
  "publickey-credentials-get",
  "serial",
  "usb",
  "xr-spatial-tracking",
];

const permissions: RequestHandler = (_request, response, next) => {
  response.set("Permissions-Policy", refused.map((feature) => `${feature}=()`).join(", "));
  next();
};

/** Headers by which a browser holds the page to what it needs. */
export const safeHeaders: RequestHandler[] = [
  helmet({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // styled-components writes its rules into a style element.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", "data:", "blob:"],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        upgradeInsecureRequests: null,
      },
    },
    // A certificate made here may be made anew: a browser must not remember the old one's demand.
    strictTransportSecurity: false,
  }),
  permissions,
];
