/** The router's list of routes is for whoever builds an app, not for whoever uses one: switched off, it is not sent either. */
exports.Sitemap = () => null;
exports.getNavOptions = () => ({});
