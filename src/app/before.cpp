#include "app/before.h"

namespace baryton {

Grade gradeBefore(const Before& before, const PictureWork& work, const Grade& shown, bool isKey) {
    Grade result;
    switch (before.kind) {
    case Before::Kind::Source:
    case Before::Kind::WholeSource:
        break;
    case Before::Kind::PrepOnly:
        result.prep = shown.prep;
        break;
    case Before::Kind::Take:
        for (const Take& take : work.takes)
            if (QString::fromStdString(take.name) == before.name) return take.grade;
        break;
    case Before::Kind::Step:
        result = before.grade;
        if (!isKey) result.prep = shown.prep;
        break;
    }
    return result;
}

} // namespace baryton
