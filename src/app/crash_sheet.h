#pragma once
#include "app/run_record.h"
#include "app/widgets/sheet.h"

namespace baryton {

/// Tells that the last run of the program was not closed, what was open in it, and what is known of the reason.
/// Nothing is sent anywhere: the report is there to be read and copied.
class CrashSheet : public Sheet {
    Q_OBJECT
public:
    CrashSheet(const std::vector<BrokenRun>& runs, QWidget* parent);

Q_SIGNALS:
    void openWanted(const std::vector<std::filesystem::path>& paths);
};

} // namespace baryton
