// What style sheets are to unit tests: nothing.
module.exports = {};
