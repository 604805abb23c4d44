#pragma once
#include <memory>
#include <string>

namespace baryton {

/// A picture that a grade carries inside it, shared between grades: equal when the contents are.
struct PictureContent {
    std::string name;                           ///< what the file was called, for people
    std::shared_ptr<const std::string> encoded; ///< a JPEG or PNG (see picture/carried_picture.h); null where missing

    bool operator==(const PictureContent& other) const {
        return name == other.name &&
               (encoded == other.encoded || (encoded && other.encoded && *encoded == *other.encoded));
    }
};

} // namespace baryton
