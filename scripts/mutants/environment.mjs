// Passes over every test once one has failed: a change that is noticed needs no second witness.
import { TestEnvironment } from "jest-environment-node";

export default class FirstFailure extends TestEnvironment {
  #failed = false;

  handleTestEvent(event) {
    if (event.name === "test_fn_failure" || event.name === "hook_failure" || event.name === "error")
      this.#failed = true;
    if (event.name === "test_start" && this.#failed) event.test.mode = "skip";
  }
}
