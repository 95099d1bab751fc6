// The fonts' rules go to the browser through the style sheet's own interface: as text in the page they would be inline
// styles, which the server's policy forbids. Put in again, the element would lose them, so it stays where it is.
(function () {
  var style = document.createElement('style');
  style.id = 'expo-generated-fonts';
  document.head.appendChild(style);
  if (!style.sheet) return;
  style.appendChild = function (text) {
    style.sheet.insertRule(text.textContent, style.sheet.cssRules.length);
    return text;
  };
  var append = document.head.appendChild;
  document.head.appendChild = function (node) {
    return node === style ? node : append.call(document.head, node);
  };
})();
