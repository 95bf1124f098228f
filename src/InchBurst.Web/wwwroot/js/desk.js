// What every page does. Pages work without scripts; these make work faster.
import "./requests.js";
import "./forms.js";
import "./signout.js";
