import { configure } from "@testing-library/react";

// What is awaited comes when it comes: only what never comes may fail, on a machine of any speed.
configure({ asyncUtilTimeout: 300_000 });
