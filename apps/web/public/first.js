// Somebody who was here before sees what they left, not the view for somebody new: theirs takes a moment more.
try {
  if (localStorage.getItem('temnex-sizing-1')) document.documentElement.dataset.known = '';
} catch {
  // nothing is kept here
}
// the application is begun once what is there already has been painted
const { application } = document.currentScript.dataset;
const begin = () => import(application);
if ('known' in document.documentElement.dataset) begin();
else requestAnimationFrame(() => setTimeout(begin));
