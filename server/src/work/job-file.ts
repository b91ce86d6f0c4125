import { closeSync, openSync, readSync } from "node:fs";
import { Tokenizer, TokenParser, TokenType, type ParsedTokenInfo } from "@streamparser/json";
import { NotJson } from "./json.ts";

/** Bytes read at once. */
const chunkBytes = 64 * 1024;

/** Deepest nesting read, in levels; a job file needs about fifteen. */
const deepest = 60;

/** What a job file consists of: its keys with their values, and the entries of its log. */
export type Piece = { key: string; value: unknown } | { entry: unknown };

/** Refuses what a parser that reads as it goes would let pass: nesting without end, and a key of the file that stands twice. */
function guard(): (token: Pick<ParsedTokenInfo, "token" | "value">) => void {
  const seen = new Set<unknown>();
  let depth = 0;
  let last: unknown;
  return ({ token, value }) => {
    if (token === TokenType.LEFT_BRACE || token === TokenType.LEFT_BRACKET) depth += 1;
    if (token === TokenType.RIGHT_BRACE || token === TokenType.RIGHT_BRACKET) depth -= 1;
    const repeats = depth === 1 && token === TokenType.COLON && seen.size === seen.add(last).size;
    if (depth > deepest || repeats) throw new NotJson();
    last = value;
  };
}

/**
 * Reads a job file from front to back and gives it piece by piece, so that no more than a piece is ever held: the log
 * comes entry by entry, then as the key it is, empty. Throws NotJson for a file that is none.
 */
export function* readJobFile(path: string): Generator<Piece> {
  const pieces: Piece[] = [];
  const tokenizer = new Tokenizer();
  const parser = new TokenParser({ paths: ["$.*", "$.log.*"], keepStack: false });
  parser.onValue = ({ value, key, parent, stack }) => {
    if (stack.length === 2) {
      pieces.push({ entry: value });
      if (Array.isArray(parent)) parent[key as number] = null;
    } else pieces.push({ key: String(key), value: key === "log" && Array.isArray(value) ? [] : value });
  };
  const look = guard();
  tokenizer.onToken = (token) => {
    look(token);
    parser.write(token);
  };
  const file = openSync(path, "r");
  const chunk = Buffer.allocUnsafe(chunkBytes);
  const feed = (length: number) => {
    try {
      if (length) tokenizer.write(chunk.subarray(0, length));
      else {
        if (!tokenizer.isEnded) tokenizer.end();
        if (!parser.isEnded) parser.end();
      }
    } catch {
      throw new NotJson();
    }
  };
  try {
    let length: number;
    do {
      length = readSync(file, chunk, 0, chunkBytes, null);
      feed(length);
      yield* pieces.splice(0);
    } while (length);
  } finally {
    closeSync(file);
  }
}
