// What trackside does besides.
import "./trackside.js";
import "./keys.js";
import "./offline.js";
import "./startbox.js";
