#pragma once
#include "grade/grade.h"

namespace baryton {

/// Finish holds each type once and acts in one order, that of the list of stages: light that spreads, then what is
/// done to the frame, then what is done to the finished pixels. These put a grade into it; types that this version
/// does not know stay behind.
bool isInFinishOrder(const Grade& grade);
void orderFinish(Grade& grade);

} // namespace baryton
