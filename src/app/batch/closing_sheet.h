#pragma once
#include "app/widgets/sheet.h"

namespace baryton {

/// Asked when the window is to close while a batch runs: what becomes of the run.
class ClosingSheet : public Sheet {
    Q_OBJECT
public:
    explicit ClosingSheet(QWidget* parent);

Q_SIGNALS:
    void stopWanted();       ///< after the files in hand; then close
    void backgroundWanted(); ///< the window goes, the run goes on
};

} // namespace baryton
