// Which addresses scripts and workers may be loaded from, and that no text is ever taken for HTML or code: the browser
// asks here, because the server's policy says so.
(function () {
  if (!window.trustedTypes || !window.trustedTypes.createPolicy) return;
  window.trustedTypes.createPolicy('default', {
    createScriptURL: function (address) {
      var url = new URL(address, location.href);
      if (url.origin === location.origin || url.protocol === 'blob:') return address;
      throw new TypeError('Scripts come from this server only.');
    },
  });
})();
