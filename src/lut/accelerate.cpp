#include "lut/accelerate.h"
#include "lut/bake.h"

namespace baryton {

Program accelerated(const Grade& grade, int size) {
    Grade quick = lutGrade(bakeLook(grade, size, "preview", true), "preview");
    quick.finish = grade.finish;
    return Program::compile(quick);
}

} // namespace baryton
