// What the bundled code takes from the global scope, as names of its own: inside a test's scope each look-up of a global is a
// call, which would make up most of the time of a check.
const known = globalThis;
const { Math, Number, String, Boolean, Object, Array, Symbol, BigInt, JSON, Infinity, NaN } = known;
const { Map, Set, WeakMap, WeakSet, Promise, RegExp, Error, TypeError, RangeError } = known;
const { ArrayBuffer, DataView, Int8Array, Int16Array, Int32Array, Uint8Array, Uint16Array } = known;
const { Uint8ClampedArray, Uint32Array, Float32Array, Float64Array, Intl, Reflect } = known;
const { parseFloat, parseInt, isNaN, isFinite } = known;
export { Math, Number, String, Boolean, Object, Array, Symbol, BigInt, JSON, Infinity, NaN };
export { Map, Set, WeakMap, WeakSet, Promise, RegExp, Error, TypeError, RangeError };
export { ArrayBuffer, DataView, Int8Array, Int16Array, Int32Array, Uint8Array, Uint16Array };
export { Uint8ClampedArray, Uint32Array, Float32Array, Float64Array, Intl, Reflect };
export { parseFloat, parseInt, isNaN, isFinite };
