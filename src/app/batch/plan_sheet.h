#pragma once
#include "app/widgets/sheet.h"
#include "batch/plan_file.h"

namespace baryton {

/// What a plan from a file would make, before it is run.
class PlanSheet : public Sheet {
    Q_OBJECT
public:
    PlanSheet(const NamedPlan& named, QWidget* parent);

Q_SIGNALS:
    void runWanted();
    void watchWanted(); ///< a folder is to be watched with it
};

} // namespace baryton
