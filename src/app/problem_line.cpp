#include "app/problem_line.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QScrollArea>
#include <QStyle>
#include <QVBoxLayout>

namespace baryton {

namespace {

constexpr int kShownFor = 20'000; ///< ms: two lines can be read in it twice
constexpr int kReadIn = 4'000;    ///< ms
constexpr int kMostKept = 50;

/// What has no room ends in dots and stands whole in the tooltip.
class OneLine : public QLabel {
public:
    using QLabel::QLabel;

protected:
    void paintEvent(QPaintEvent* event) override {
        const QRect room = contentsRect().adjusted(indent(), 0, 0, 0);
        const QString shown = fontMetrics().elidedText(text(), Qt::ElideRight, room.width());
        setToolTip(shown == text() ? QString() : text());
        if (shown == text()) return QLabel::paintEvent(event);
        QPainter p(this);
        style()->drawItemText(&p, room, Qt::AlignLeft | Qt::AlignVCenter, palette(), isEnabled(), shown,
                              foregroundRole());
    }
};

} // namespace

ProblemLine::ProblemLine(QWidget* parent)
    : QStackedWidget(parent), pointer_(new OneLine), latest_(makeLabel({}, "error")),
      button_(makeButton({}, "flat")) {
    pointer_->setIndent(14);
    latest_->setIndent(14);
    // A long problem ends at the button; the button shows it whole.
    for (QLabel* each : {pointer_, latest_}) {
        each->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
        addWidget(each);
    }
    latest_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    QSizePolicy policy = button_->sizePolicy();
    policy.setRetainSizeWhenHidden(true);
    button_->setSizePolicy(policy);
    button_->setFixedWidth(button_->fontMetrics().horizontalAdvance(tr("%1 problems").arg(99)) + 24);
    button_->setToolTip(tr("What went wrong, whole, and how to mend it"));
    setRole(button_, "problem");
    button_->hide();
    rest_.setSingleShot(true);
    rest_.setInterval(kShownFor);
    connect(&rest_, &QTimer::timeout, this, &ProblemLine::rest);
    connect(button_, &QPushButton::clicked, this, &ProblemLine::openAll);
}

void ProblemLine::tell(const QString& problem) {
    problems_.removeAll(problem);
    problems_.append(problem);
    if (problems_.size() > kMostKept) problems_.removeFirst();
    setCurrentWidget(latest_);
    rest_.start();
    update();
}

void ProblemLine::rest() {
    rest_.stop();
    setCurrentWidget(pointer_);
}

void ProblemLine::restSoon() {
    if (rest_.isActive() && rest_.remainingTime() < kShownFor - kReadIn) rest();
}

void ProblemLine::clear() {
    problems_.clear();
    rest();
    update();
}

void ProblemLine::update() {
    const QString newest = problems_.isEmpty() ? QString() : problems_.last();
    latest_->setText(newest.simplified());
    latest_->setToolTip(newest);
    button_->setText(problems_.size() == 1 ? tr("1 problem") : tr("%1 problems").arg(problems_.size()));
    button_->setVisible(!problems_.isEmpty());
}

void ProblemLine::openAll() {
    auto* popup = new QFrame(this, Qt::Popup);
    popup->setObjectName(QStringLiteral("popup"));
    popup->setAttribute(Qt::WA_DeleteOnClose);
    popup->setAccessibleName(tr("What went wrong"));
    auto* layout = new QVBoxLayout(popup);
    layout->setContentsMargins(12, 10, 12, 10);
    layout->setSpacing(8);
    layout->addWidget(makeLabel(tr("What went wrong"), "heading"));
    auto* texts = new QWidget;
    auto* column = new QVBoxLayout(texts);
    column->setContentsMargins(0, 0, 8, 0);
    column->setSpacing(10);
    for (auto problem = problems_.crbegin(); problem != problems_.crend(); ++problem) {
        auto* label = makeLabel(*problem, "error");
        label->setWordWrap(true);
        label->setTextInteractionFlags(Qt::TextSelectableByMouse);
        column->addWidget(label);
    }
    column->addStretch(1);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(texts);
    layout->addWidget(scroll, 1);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    auto* clear = makeButton(tr("Clear"), "");
    row->addWidget(clear);
    layout->addLayout(row);
    connect(clear, &QPushButton::clicked, popup, [this, popup] {
        popup->close();
        this->clear();
    });
    constexpr int width = 560;
    const int texted = texts->layout()->heightForWidth(width - 40);
    popup->setFixedSize(width, std::min(360, texted + 110));
    popup->move(button_->mapToGlobal(QPoint(button_->width() - width, -popup->height() - 6)));
    popup->show();
    rest();
}

} // namespace baryton
