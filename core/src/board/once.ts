/** A value worked out once for each key, and kept. */
export function once<Key, Value>(make: (key: Key) => Value): (key: Key) => Value {
  const known = new Map<Key, Value>();
  return (key) => {
    const value = known.get(key);
    if (value !== undefined) return value;
    const made = make(key);
    known.set(key, made);
    return made;
  };
}

/** A value worked out once for each object, for as long as the object lives: whoever changes one makes another of it. */
export function onceFor<Owner extends object, Value>(make: (owner: Owner) => Value): (owner: Owner) => Value {
  const known = new WeakMap<Owner, Value>();
  return (owner) => {
    const value = known.get(owner);
    if (value !== undefined) return value;
    const made = make(owner);
    known.set(owner, made);
    return made;
  };
}
