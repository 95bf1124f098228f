// What the builder does besides.
import "./builder.js";
import "./keys.js";
