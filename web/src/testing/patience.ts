import { configure } from "@testing-library/react";

configure({
  // What is awaited comes when it comes: only what never comes may fail, on a machine of any speed.
  asyncUtilTimeout: 300_000,
  // A page in words is made at each look for what is still to come: a tenth of the time. With this set it is told.
  ...(process.env.DEBUG_PRINT_LIMIT
    ? {}
    : {
        getElementError: (message: string | null) =>
          new Error(`${message}\n(DEBUG_PRINT_LIMIT=9999 shows the page)`),
      }),
});
