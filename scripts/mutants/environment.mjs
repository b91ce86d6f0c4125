// Passes over every test once one has failed: a change that is noticed needs no second witness.
import PlainEnvironment from "../jest/plain-environment.mjs";

export default class FirstFailure extends PlainEnvironment {
  #failed = false;

  handleTestEvent(event) {
    if (event.name === "test_fn_failure" || event.name === "hook_failure" || event.name === "error")
      this.#failed = true;
    if (event.name === "test_start" && this.#failed) event.test.mode = "skip";
  }
}
