#include "base/words.h"

namespace baryton {

namespace {
Translator& translator() {
    static Translator set;
    return set;
}
} // namespace

void setTranslator(Translator with) {
    translator() = std::move(with);
}

std::string words(const std::string& english) {
    return translator() && !english.empty() ? translator()(english) : english;
}

} // namespace baryton
