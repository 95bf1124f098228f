// What the look back does besides.
import "./messages.js";
