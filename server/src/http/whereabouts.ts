import type { Whereabouts } from "@anvilcloud/core";
import { Router } from "express";
import { toString as qrText } from "qrcode";

/** An address as a QR code (ISO/IEC 18004), drawn as SVG. */
const codeOf = (address: string) => qrText(address, { type: "svg", margin: 2, errorCorrectionLevel: "M" });

/** Where a phone finds this server. `tell` is asked each time, for addresses come and go. */
export function whereaboutsRoutes(tell: () => Omit<Whereabouts, "code">): Router {
  const routes = Router();
  routes.get("/whereabouts", async (_request, response) => {
    const { addresses, trust } = tell();
    const first = trust?.address ?? addresses[0];
    const body: Whereabouts = { addresses, trust, code: first === undefined ? null : await codeOf(first) };
    response.json(body);
  });
  return routes;
}
