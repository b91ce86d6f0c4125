// Node's environment of Jest with a global object of its own and nothing before it. Jest puts a proxy there, and each
// look-up of `Math` or `Map` in a module under test goes through it: arithmetic takes twice as long, and more.
import { TestEnvironment } from "jest-environment-node";
import vm from "node:vm";

const { createContext, constants } = vm;

export default class PlainEnvironment extends TestEnvironment {
  constructor(config, context) {
    vm.createContext = () => createContext(constants.DONT_CONTEXTIFY);
    try {
      super(config, context);
    } finally {
      vm.createContext = createContext;
    }
    // Each expectation makes an error to know its place by: a hundred frames of it are a tenth of the time.
    this.global.Error.stackTraceLimit = 12;
  }
}
