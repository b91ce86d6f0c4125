interface Known<Key, Value> {
  get(key: Key): Value | undefined;
  set(key: Key, value: Value): unknown;
}

/** What is known under a key, or else is made now and kept; a value that is undefined is made anew each time. */
const kept =
  <Key, Value>(known: Known<Key, Value>, make: (key: Key) => Value) =>
  (key: Key): Value => {
    const value = known.get(key);
    if (value !== undefined) return value;
    const made = make(key);
    known.set(key, made);
    return made;
  };

/** A value worked out once for each key, and kept. */
export const once = <Key, Value>(make: (key: Key) => Value): ((key: Key) => Value) =>
  kept(new Map<Key, Value>(), make);

/** A value worked out once for each object, for as long as the object lives: whoever changes one makes another of it. */
export const onceFor = <Owner extends object, Value>(
  make: (owner: Owner) => Value,
): ((owner: Owner) => Value) => kept(new WeakMap<Owner, Value>(), make);
