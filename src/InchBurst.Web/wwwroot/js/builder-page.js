// What the builder does besides.
import "./builder.js";
import "./typing.js";
import "./keys.js";
