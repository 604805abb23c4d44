#pragma once
#include "colour/matrix.h"
#include "grade/grade.h"

#include <map>
#include <string>
#include <vector>

namespace baryton {

/// A characteristic (H&D) curve: density over log10 exposure, straight with slope `gamma` between two soft knees.
///
///     D(x) = gamma·(soft(x − toeAt, toe) − soft(x − shoulderAt, shoulder))      soft(z, k) = k·ln(1 + e^(z/k))
///
/// Hurter and Driffield's straight line with its toe and shoulder; the two softplus terms make it smooth, rising and
/// bounded: it goes from 0 to gamma·(shoulderAt − toeAt).
struct CharacteristicCurve {
    double gamma = 1, toeAt = -2, shoulderAt = 0, toe = 0.15, shoulder = 0.15;
    double operator()(double logExposure) const;
};

/// What lies over a picture on such a film: the values of its grain and of its halation.
struct FilmBody {
    double grain = 0.3, size = 0.4, colour = 0.3; ///< 0…1; thousandths of the long side; 0…1
    double halation = 0.2, reach = 6;             ///< 0…1; thousandths of the long side
};

/// The character of one film response of our own making; none is modelled on a product.
struct FilmCharacter {
    enum class Kind { Negative, Reversal, Mono };
    std::string id, name, summary;
    Kind kind = Kind::Negative;
    CharacteristicCurve film;
    double layerGamma[3] = {1, 1, 1};                 ///< red, green, blue layer against the film's gamma
    double layerSpeed[3] = {0, 0, 0};                 ///< in log10 exposure
    double coupling = 0;                              ///< how much each layer's density holds back the others'
    double grade = 1;                                 ///< slope of the print paper
    double blackLift = 0;                             ///< how matte the blacks are, 0…1
    double sensitivity[3] = {0.2126, 0.7152, 0.0722}; ///< of a mono film
    FilmBody body{};
};

const std::vector<FilmCharacter>& filmCharacters();
/// The character with this id, or nothing.
const FilmCharacter* findFilmCharacter(const std::string& id);

/// The Grain and the Halation that go with a character, as parameters of those stages. A mono film's have no colour.
std::map<std::string, Value> grainOf(const FilmCharacter& film);
std::map<std::string, Value> halationOf(const FilmCharacter& film);

} // namespace baryton
