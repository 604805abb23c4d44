#pragma once
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

namespace baryton {

/// Of learning a grade from pictures: which were before and after it.
class PairStep : public QWidget {
    Q_OBJECT
public:
    struct Files {
        QString before, after;
    };
    explicit PairStep(QWidget* parent = nullptr);

    const std::vector<Files>& pairs() const { return pairs_; }
    /// Takes two files that were dropped, the one before first.
    void take(const Files& files);

Q_SIGNALS:
    void changed(); ///< a pair is complete, or all are gone

private:
    void choose(bool isAfter);
    void set(bool isAfter, const QString& file);
    void show();

    std::vector<Files> pairs_; ///< complete ones
    Files next_;
    QPushButton *before_, *after_, *anew_;
    QLabel *beforeName_, *afterName_, *count_;
};

} // namespace baryton
