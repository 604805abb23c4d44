#pragma once
#include "app/widgets/still_text.h"
#include "grade/lut_table.h"
#include "stages/lut_kernel.h"

#include <QPushButton>
#include <QThreadPool>
#include <QWidget>

namespace baryton {

/// What a LUT does that its wearer would want to know, in words, with the remedy below where it seems made for
/// another space. Judged behind the window.
class LutHealthView : public QWidget {
    Q_OBJECT
public:
    explicit LutHealthView(int lines, QWidget* parent = nullptr);
    ~LutHealthView() override;
    /// Null for none: nothing is said.
    void setLut(std::shared_ptr<const LutTable> table, const LutUse& use = {});
    const QString& text() const { return text_->text(); }

Q_SIGNALS:
    /// The remedy was pressed: the id of a space.
    void readAsWanted(const std::string& space);

private:
    void show(const QString& text, const std::string& madeFor);
    StillText* text_;
    QPushButton* remedy_;
    std::shared_ptr<const LutTable> table_;
    LutUse use_;
    std::string madeFor_; ///< the id of the space that is offered
    QThreadPool pool_;
};

} // namespace baryton
