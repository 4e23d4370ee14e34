/** A film of two seconds without a sound, over and over. */
export function makeFilm(): HTMLVideoElement {
  const film = document.createElement("video");
  film.setAttribute("playsinline", "");
  film.muted = true;
  film.loop = true;
  film.title = "keeps the screen lit";
  film.setAttribute("aria-hidden", "true");
  film.tabIndex = -1;
  film.style.cssText =
    "position:fixed;right:0;bottom:0;width:2px;height:2px;opacity:0.01;pointer-events:none";
  for (const [src, type] of [
    ["/lit.mp4", "video/mp4"],
    ["/lit.webm", "video/webm"],
  ]) {
    const source = document.createElement("source");
    Object.assign(source, { src, type });
    film.append(source);
  }
  document.body.append(film);
  return film;
}
