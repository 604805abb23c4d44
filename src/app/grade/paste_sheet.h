#pragma once
#include "app/carry_tree.h"
#include "app/widgets/sheet.h"

namespace baryton {

/// What of a copied grade a paste gives, as a tree of ticks.
class PasteSheet : public Sheet {
    Q_OBJECT
public:
    PasteSheet(const Grade& copied, const IncludeSet& ticked, std::size_t pictures, QWidget* parent = nullptr);

Q_SIGNALS:
    void pasted(const baryton::IncludeSet& ticked);
};

} // namespace baryton
