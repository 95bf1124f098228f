// What trackside does besides.
import "./trackside.js";
import "./offline.js";
