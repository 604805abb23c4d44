#include "app/grade/findings_strip.h"
#include "app/widgets/labels.h"

#include <QEvent>
#include <QHBoxLayout>

namespace baryton {

FindingsStrip::FindingsStrip(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), text_(new StillText(3)), mend_(makeButton({}, "")) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 10, 0); // in line with the rows above, beside whose scroll bar they end
    row->setSpacing(8);
    row->addWidget(text_, 1);
    row->addWidget(mend_, 0, Qt::AlignVCenter);
    mend_->setFixedWidth(128);
    // The strip's height is the text's, so that no control moves when the button comes: the text gives it room.
    mend_->setMaximumHeight(text_->sizeHint().height());
    mend_->hide();
    mend_->installEventFilter(this);
    connect(mend_, &QPushButton::clicked, this, [this] {
        if (!remedy_) return;
        state_.tryChange({});
        state_.editKey(remedied(state_.keyGrade(), *remedy_));
    });
}

void FindingsStrip::show(const StageReport* report) {
    if (state_.isTrying()) return; // what is tried has other findings; the button must stay under the pointer
    text_->setText(report ? QString::fromStdString(report->sentence) : QString());
    const std::optional<Remedy> remedy = report ? report->remedy : std::nullopt;
    if (remedy == remedy_) return;
    remedy_ = remedy;
    if (remedy_) {
        const QString words = QString::fromStdString(remedyWords(state_.keyGrade(), *remedy_));
        mend_->setText(words);
        mend_->setToolTip(tr("%1: pointing shows it on the picture, a press does it").arg(words));
    }
    mend_->setVisible(remedy_.has_value());
}

bool FindingsStrip::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Enter && remedy_)
        state_.tryChange([remedy = *remedy_](const Grade& grade) { return remedied(grade, remedy); });
    if (event->type() == QEvent::Leave || event->type() == QEvent::Hide) state_.tryChange({});
    return QWidget::eventFilter(watched, event);
}

} // namespace baryton
