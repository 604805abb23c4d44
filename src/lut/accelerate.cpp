#include "lut/accelerate.h"
#include "lut/bake.h"

namespace baryton {

Program accelerated(const Grade& grade, int size) {
    Grade front = grade; // the Finish runs behind the cube, also what of it could be baked
    front.finish.clear();
    Grade quick = lutGrade(bakeLook(front, size, "preview", true), "preview");
    quick.finish = grade.finish;
    return Program::compile(quick);
}

} // namespace baryton
