/* A beacon whose flashes are put one after the other. The answer is their order. */
define(['qtiCustomInteractionContext'], function (context) {
  'use strict';
  context.register({
    typeIdentifier: 'urn:skerry-sound:beacon',
    getInstance: function (dom, configuration) {
      var most = Number(configuration.properties.most) || 5;
      var bound = configuration.boundTo[configuration.responseIdentifier];
      var flashes = bound && bound.list ? bound.list.identifier.slice() : [];
      var list = document.createElement('ol');
      list.setAttribute('aria-label', 'Flashes, in their order');
      list.style.minHeight = '3rem';
      var said = document.createElement('p');
      said.setAttribute('role', 'status');
      function tell() {
        list.replaceChildren();
        flashes.forEach(function (one) {
          var item = document.createElement('li');
          item.textContent = one === 'long' ? '▬▬▬ long' : '▬ short';
          list.appendChild(item);
        });
        said.textContent = flashes.length === 0 ? 'No flash yet' : flashes.join(', ');
      }
      function button(label, press) {
        var one = document.createElement('button');
        one.type = 'button';
        one.textContent = label;
        one.addEventListener('click', function () {
          press();
          tell();
        });
        return one;
      }
      function add(kind) {
        return function () {
          if (flashes.length < most) flashes.push(kind);
        };
      }
      var row = document.createElement('div');
      row.append(
        button('Long flash', add('long')),
        ' ',
        button('Short flash', add('short')),
        ' ',
        button('Take the last away', function () {
          flashes.pop();
        }),
      );
      dom.append(row, list, said);
      tell();
      configuration.onready({
        getResponse: function () {
          return flashes.length === 0 ? { base: null } : { list: { identifier: flashes.slice() } };
        },
        getState: function () {
          return '';
        },
      });
    },
  });
});
