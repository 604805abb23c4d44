#pragma once
#include "app/app_state.h"
#include "app/widgets/segments.h"

#include <QLabel>
#include <QPushButton>
#include <QThreadPool>

namespace baryton {

/// Of learning a grade from a pattern: it is written here, and chosen when it came back.
class PatternStep : public QWidget {
    Q_OBJECT
public:
    explicit PatternStep(AppState& state, QWidget* parent = nullptr);
    ~PatternStep() override;

    void writeTo(const QString& file);

Q_SIGNALS:
    void cameBack(const QString& file);

private:
    void showSizes();

    AppState& state_;
    Segments *layouts_, *sizes_, *depths_;
    QLabel* written_;
    QPushButton *write_, *choose_;
    QThreadPool pool_;
};

} // namespace baryton
