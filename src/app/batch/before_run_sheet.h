#pragma once
#include "app/widgets/sheet.h"
#include "batch/foresee.h"

namespace baryton {

/// Asked before a run begins that would meet files, or find no room: what is to become of it.
class BeforeRunSheet : public Sheet {
    Q_OBJECT
public:
    /// `asks`: what happens to files that are there is to be said here.
    BeforeRunSheet(const Foresight& seen, bool asks, QWidget* parent);

Q_SIGNALS:
    void chosen(baryton::IfExists ifExists); ///< of the files that are there
    void confirmed();                        ///< begin as it is set
};

} // namespace baryton
