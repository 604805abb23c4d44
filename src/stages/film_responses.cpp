#include "stages/film_response.h"

#include <algorithm>

namespace baryton {

const std::vector<FilmCharacter>& filmCharacters() {
    using Kind = FilmCharacter::Kind;
    const auto negative = [](const char* id, const char* name, const char* summary, CharacteristicCurve film,
                             double r, double g, double b, double coupling, double grade, double lift) {
        FilmCharacter c{id, name, summary, Kind::Negative, film, {r, g, b}};
        c.coupling = coupling, c.grade = grade, c.blackLift = lift;
        return c;
    };
    const auto reversal = [](const char* id, const char* name, const char* summary, CharacteristicCurve film,
                             double r, double g, double b, double coupling, double lift) {
        FilmCharacter c{id, name, summary, Kind::Reversal, film, {r, g, b}};
        c.coupling = coupling, c.blackLift = lift;
        return c;
    };
    const auto mono = [](const char* id, const char* name, const char* summary, CharacteristicCurve film, double r,
                         double g, double b, double grade, double lift) {
        FilmCharacter c{id, name, summary, Kind::Mono, film};
        c.grade = grade, c.blackLift = lift;
        c.sensitivity[0] = r, c.sensitivity[1] = g, c.sensitivity[2] = b;
        return c;
    };
    // Slow films are fine and clear, fast ones coarse; thin layers let more light through to the base.
    const auto on = [](FilmCharacter film, FilmBody body) {
        film.body = body;
        return film;
    };
    static const std::vector<FilmCharacter> all = {
        on(negative("touring", "Touring day", "A gentle colour negative with open shadows, for faces in daylight.",
                    {0.60, -2.6, 0.9, 0.35, 0.40}, 1.00, 1.00, 1.00, 0.10, 1.75, 0.3),
           {0.26, 0.40, 0.30, 0.15, 5}),
        on(negative("matinee", "Matinee",
                    "A colour negative with clean whites and a little more colour, for bright scenes.",
                    {0.64, -2.5, 0.8, 0.28, 0.32}, 1.00, 1.00, 0.99, 0.18, 1.85, 0.1),
           {0.22, 0.35, 0.30, 0.15, 5}),
        on(negative("straw-hat", "Straw hat", "Warm lights over faintly blue shadows; late summer.",
                    {0.62, -2.6, 0.8, 0.32, 0.36}, 1.03, 1.00, 0.94, 0.14, 1.80, 0.3),
           {0.30, 0.42, 0.35, 0.25, 7}),
        on(negative("harbour", "Harbour", "Cool lights and warm shadows under an overcast sky.",
                    {0.61, -2.5, 0.9, 0.30, 0.40}, 0.96, 1.00, 1.05, 0.10, 1.75, 0.3),
           {0.30, 0.42, 0.30, 0.15, 6}),
        on(negative("fairground", "Fairground", "Strong colour and firm contrast, for paint and lamps.",
                    {0.70, -2.3, 0.7, 0.20, 0.25}, 1.00, 1.00, 1.01, 0.34, 2.00, 0.0),
           {0.32, 0.40, 0.40, 0.35, 7}),
        on(negative("washed-linen", "Washed linen", "Low contrast, pale blacks, quiet colour.",
                    {0.52, -2.8, 1.0, 0.45, 0.50}, 1.01, 1.00, 0.98, 0.02, 1.60, 0.8),
           {0.34, 0.50, 0.25, 0.20, 9}),
        on(negative("night-train", "Night train", "Holds lamps and lifts the dark; greens lean to teal.",
                    {0.58, -3.0, 0.9, 0.40, 0.45}, 0.95, 1.00, 1.03, 0.16, 1.80, 0.5),
           {0.48, 0.55, 0.40, 0.45, 9}),
        on(negative("old-programme", "Old programme", "A faded print: crossed curves, soft blacks.",
                    {0.55, -2.6, 0.8, 0.40, 0.40}, 1.06, 1.00, 0.90, 0.04, 1.65, 1.0),
           {0.52, 0.60, 0.35, 0.30, 9}),
        on(reversal("lantern-slide", "Lantern slide", "A crisp reversal with deep blacks, for well-lit scenes.",
                    {1.55, -1.75, 0.18, 0.16, 0.14}, 1.00, 1.00, 1.00, 0.16, 0.0),
           {0.16, 0.30, 0.25, 0.10, 4}),
        on(reversal("poster-paint", "Poster paint", "The most colour of all, blacks like ink.",
                    {1.75, -1.60, 0.15, 0.12, 0.12}, 1.00, 1.00, 1.02, 0.34, 0.0),
           {0.20, 0.32, 0.35, 0.15, 5}),
        on(reversal("meadow-slide", "Meadow slide", "A softer reversal with warm greens.",
                    {1.40, -1.85, 0.22, 0.20, 0.20}, 1.02, 1.00, 0.96, 0.12, 0.1),
           {0.20, 0.35, 0.30, 0.15, 5}),
        on(reversal("winter-slide", "Winter slide", "A cool reversal; snow stays clean.",
                    {1.45, -1.80, 0.20, 0.18, 0.16}, 0.97, 1.00, 1.04, 0.12, 0.1),
           {0.18, 0.32, 0.25, 0.10, 4}),
        on(mono("ink", "Ink", "Mono with deep blacks and bright skins.", {0.72, -2.3, 0.7, 0.20, 0.25}, 0.42, 0.46,
                0.12, 2.00, 0.0),
           {0.42, 0.45, 0, 0.20, 6}),
        on(mono("pewter", "Pewter", "Mono with a long grey scale and open shadows.", {0.58, -2.7, 0.9, 0.35, 0.40},
                0.28, 0.58, 0.14, 1.75, 0.3),
           {0.30, 0.40, 0, 0.15, 6}),
        on(mono("storm-glass", "Storm glass", "Mono that darkens blue skies and lightens reds.",
                {0.66, -2.4, 0.8, 0.25, 0.30}, 0.66, 0.34, 0.00, 1.90, 0.1),
           {0.46, 0.50, 0, 0.25, 7}),
        on(mono("chalk", "Chalk", "Mono with pale blacks, light blues and soft lights.",
                {0.54, -2.7, 1.0, 0.40, 0.50}, 0.16, 0.50, 0.34, 1.60, 0.8),
           {0.50, 0.60, 0, 0.30, 9}),
    };
    return all;
}

const FilmCharacter* findFilmCharacter(const std::string& id) {
    const auto& all = filmCharacters();
    const auto found = std::find_if(all.begin(), all.end(), [&](const FilmCharacter& each) { return each.id == id; });
    return found == all.end() ? nullptr : &*found;
}

std::map<std::string, Value> grainOf(const FilmCharacter& film) {
    const bool isMono = film.kind == FilmCharacter::Kind::Mono;
    return {{"amount", film.body.grain}, {"size", film.body.size}, {"colour", isMono ? 0 : film.body.colour}};
}

std::map<std::string, Value> halationOf(const FilmCharacter& film) {
    std::map<std::string, Value> values{{"amount", film.body.halation}, {"reach", film.body.reach}};
    if (film.kind == FilmCharacter::Kind::Mono) values["tint"] = 0.0;
    return values;
}

} // namespace baryton
