#include "base/error.h"

namespace baryton {

namespace {
std::string joined(const std::string& file, const std::string& place, const std::string& what,
                   const std::string& hint) {
    std::string all;
    for (const std::string* part : {&file, &place, &what, &hint}) {
        if (part->empty()) continue;
        if (!all.empty()) all += ": ";
        all += *part;
    }
    return all;
}
} // namespace

Error::Error(std::string file, std::string place, std::string what, std::string hint)
    : std::runtime_error(joined(file, place, what, hint)), file_(std::move(file)), place_(std::move(place)),
      problem_(std::move(what)), hint_(std::move(hint)) {}

Error Error::inFile(const std::string& file) const {
    return {file, place_, problem_, hint_};
}

} // namespace baryton
