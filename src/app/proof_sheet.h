#pragma once
#include "app/widgets/sheet.h"
#include "picture/soft_proof.h"

class QComboBox;

namespace baryton {

/// As what pictures are proofed. What is chosen is seen at once.
class ProofSheet : public Sheet {
    Q_OBJECT
public:
    ProofSheet(ProofWish wish, QWidget* parent);
    /// Says what is wrong with the file that was chosen; empty where nothing is.
    void setProblem(const QString& problem);

Q_SIGNALS:
    void wished(const baryton::ProofWish& wish);

private:
    void chooseProfile(int index);
    void fillProfiles();

    ProofWish wish_;
    QComboBox* profile_;
    QLabel* problem_;
};

} // namespace baryton
