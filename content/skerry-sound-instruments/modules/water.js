/* The water in the gauge: a drawing that follows the level. */
define([], function () {
  'use strict';
  var SVG = 'http://www.w3.org/2000/svg';
  function make(name, attributes, parent) {
    var node = document.createElementNS(SVG, name);
    Object.keys(attributes).forEach(function (key) {
      node.setAttribute(key, attributes[key]);
    });
    parent.appendChild(node);
    return node;
  }
  return {
    draw: function (place, most) {
      var step = 12;
      var height = most * step + 24;
      var svg = make('svg', { viewBox: '0 0 120 ' + height, 'aria-hidden': 'true' }, place);
      // As large as the letters around it, whatever size the student reads at.
      svg.style.cssText = 'display:block;width:' + 120 / 16 + 'rem;height:' + height / 16 + 'rem';
      make('rect', { x: 46, y: 8, width: 40, height: most * step + 4, fill: 'none', stroke: 'currentColor', 'stroke-width': 2 }, svg);
      var water = make('rect', { x: 48, width: 36, fill: 'var(--accent)', opacity: 0.7 }, svg);
      for (var i = 0; i <= most; i += 1) {
        var y = height - 14 - i * step;
        make('line', { x1: i % 5 === 0 ? 32 : 38, x2: 46, y1: y, y2: y, stroke: 'currentColor' }, svg);
        if (i % 5 === 0) {
          var text = make('text', { x: 28, y: y + 5, 'text-anchor': 'end', fill: 'currentColor', 'font-size': 14 }, svg);
          text.textContent = String(i);
        }
      }
      return {
        show: function (level) {
          water.setAttribute('y', height - 14 - level * step);
          water.setAttribute('height', level * step + 2);
        },
        /** The level at a height of the screen. */
        levelAt: function (y) {
          var box = svg.getBoundingClientRect();
          return Math.round((height - 14 - ((y - box.top) / box.height) * height) / step);
        },
      };
    },
  };
});
