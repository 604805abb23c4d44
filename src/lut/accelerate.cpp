#include "lut/accelerate.h"
#include "lut/bake.h"
#include "stages/stage_type.h"

namespace baryton {

Program accelerated(const Grade& grade, int size) {
    Grade front = grade; // the Finish runs behind the cube, also what of it could be baked
    front.finish.clear();
    Grade quick = lutGrade(bakeLook(front, size, "preview", true), "preview");
    quick.finish = grade.finish;
    // And so does what looks at neighbours, ahead of it.
    for (const Stage& stage : grade.prep) {
        const StageType* type = findStageType(stage.type);
        if (type && type->footprint == Footprint::Narrow) quick.prep.push_back(stage);
    }
    return Program::compile(quick);
}

} // namespace baryton
