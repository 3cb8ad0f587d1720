/* A tide gauge that is set to a level: by buttons, or by the arrow keys. The answer is the level, a whole number. */
define(['qtiCustomInteractionContext', 'water'], function (context, water) {
  'use strict';
  context.register({
    typeIdentifier: 'urn:skerry-sound:tide-gauge',
    getInstance: function (dom, configuration, state) {
      var properties = configuration.properties;
      var most = Number(properties.most) || 20;
      var low = configuration.templateVariables.LOW;
      var bound = configuration.boundTo[configuration.responseIdentifier];
      var given = bound && bound.base ? bound.base.integer : null;
      var touched = given !== null && given !== undefined;
      var level = touched ? given : (low && low.base && low.base.integer) || 0;
      if (!touched && state) level = JSON.parse(state).level;

      var row = document.createElement('div');
      row.style.cssText = 'display:flex;flex-wrap:wrap;align-items:center;gap:1rem';
      var drawing = document.createElement('div');
      var gauge = document.createElement('div');
      gauge.tabIndex = 0;
      gauge.setAttribute('role', 'slider');
      gauge.setAttribute('aria-label', 'Level of the gauge');
      gauge.setAttribute('aria-orientation', 'vertical');
      gauge.setAttribute('aria-valuemin', '0');
      gauge.setAttribute('aria-valuemax', String(most));
      gauge.appendChild(drawing);
      var drawn = water.draw(drawing, most);
      var words = document.createElement('p');

      function tell() {
        drawn.show(level);
        words.textContent = level + ' ' + properties.unit;
        gauge.setAttribute('aria-valuenow', String(level));
        gauge.setAttribute('aria-valuetext', words.textContent);
      }
      function set(to) {
        touched = true;
        level = Math.max(0, Math.min(most, to));
        tell();
      }
      function move(by) {
        set(level + by);
      }
      // By a finger or the mouse: where it is pressed, and as far as it is drawn.
      gauge.style.touchAction = 'none';
      gauge.addEventListener('pointerdown', function (event) {
        gauge.setPointerCapture(event.pointerId);
        set(drawn.levelAt(event.clientY));
      });
      gauge.addEventListener('pointermove', function (event) {
        if (gauge.hasPointerCapture(event.pointerId)) set(drawn.levelAt(event.clientY));
      });
      function button(label, by) {
        var one = document.createElement('button');
        one.type = 'button';
        one.textContent = label;
        one.addEventListener('click', function () {
          move(by);
        });
        return one;
      }
      gauge.addEventListener('keydown', function (event) {
        var by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 5, PageDown: -5 }[event.key];
        if (by === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        move(by);
      });
      var side = document.createElement('div');
      side.append(button('Higher', 1), ' ', button('Lower', -1), words);
      row.append(gauge, side);
      dom.appendChild(row);
      tell();
      configuration.onready({
        getResponse: function () {
          return { base: touched ? { integer: level } : null };
        },
        getState: function () {
          return JSON.stringify({ level: level });
        },
        oncompleted: function () {},
      });
    },
  });
});
