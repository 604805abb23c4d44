#include "app/grade/scope_panel.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

QVector<double> counts(const std::array<std::uint32_t, 256>& from) {
    return QVector<double>(from.begin(), from.end());
}

} // namespace

ScopePanel::ScopePanel(QWidget* parent)
    : QWidget(parent), kinds_(new Segments({tr("Histogram"), tr("Waveform"), tr("Parade"), tr("Vectorscope")})),
      views_(new QStackedWidget), histogram_(new HistogramView), waveform_(new ScopeView(ScopeView::Kind::Waveform)),
      parade_(new ScopeView(ScopeView::Kind::Parade)), vectorscope_(new ScopeView(ScopeView::Kind::Vectorscope)) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    setMinimumHeight(kHeight - 30);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 5, 8, 8);
    layout->setSpacing(5);
    auto* head = new QHBoxLayout;
    head->addWidget(kinds_, 1);
    layout->addLayout(head);
    // What is done with the scope stands beside it, so that its names have room for whole words.
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    auto* tools = new QVBoxLayout;
    tools->setSpacing(1);
    const auto addIcon = [&](const char* icon, const QString& name, const QString& tip) {
        auto* button = makeButton({}, "flat");
        button->setIcon(theme::icon(QString::fromLatin1(icon)));
        button->setCheckable(true);
        button->setFixedWidth(24);
        button->setAccessibleName(name);
        button->setToolTip(tip);
        tools->addWidget(button);
        return button;
    };
    clips_ = addIcon(
        "clips", tr("Clip marks"),
        tr("Paints what lies at an end of a channel in the colour of that channel; stripes where all do (C)"));
    auto* larger = addIcon("larger", tr("Larger scope"), tr("Makes the scope higher, and smaller again"));
    larger_ = larger;
    fold_ = addIcon("fold", tr("Fold the scope"), tr("Gives the scope's room to the editor, and back"));
    tools->removeWidget(fold_); // it stays where the rest is folded
    head->addWidget(fold_);
    tools->addStretch(1);
    for (QWidget* view : std::initializer_list<QWidget*>{histogram_, waveform_, parade_, vectorscope_})
        views_->addWidget(view);
    row->addWidget(views_, 1);
    row->addLayout(tools);
    layout->addLayout(row, 1);
    kinds_->setProperty("compact", true);
    kinds_->setCurrent(0);
    kinds_->button(1)->setToolTip(tr("How light each column of the picture is"));
    kinds_->button(2)->setToolTip(tr("The waveforms of red, green and blue side by side"));
    kinds_->button(3)->setToolTip(tr("Where the colours lie, with the line of skin"));
    connect(kinds_, &Segments::chosen, this, [this](int index) {
        views_->setCurrentIndex(index);
        rememberLayout(QStringLiteral("scope-kind"), QByteArray::number(index));
        Q_EMIT wantedChanged();
    });
    connect(fold_, &QPushButton::toggled, this, &ScopePanel::setFolded);
    connect(clips_, &QPushButton::toggled, this, &ScopePanel::clipMarksToggled);
    connect(larger, &QPushButton::toggled, this, [this](bool large) {
        rememberLayout(QStringLiteral("scope-large"), large ? "1" : "0");
        Q_EMIT heightWanted(large ? kLargeHeight : kHeight);
    });
}

void ScopePanel::restoreLayout() {
    kinds_->button(std::clamp(layoutState(QStringLiteral("scope-kind")).toInt(), 0, views_->count() - 1))->click();
    larger_->setChecked(layoutState(QStringLiteral("scope-large")) == "1");
    fold_->setChecked(layoutState(QStringLiteral("scope-folded")) == "1");
}

void ScopePanel::setFolded(bool folded) {
    for (QWidget* each : std::initializer_list<QWidget*>{views_, clips_, larger_}) each->setVisible(!folded);
    setMinimumHeight(folded ? kFoldedHeight : kHeight - 30);
    setMaximumHeight(folded ? kFoldedHeight : QWIDGETSIZE_MAX);
    rememberLayout(QStringLiteral("scope-folded"), folded ? "1" : "0");
    Q_EMIT heightWanted(folded ? kFoldedHeight : larger_->isChecked() ? kLargeHeight : kHeight);
    Q_EMIT wantedChanged();
}

PreviewRequest::Scope ScopePanel::wanted() const {
    using Scope = PreviewRequest::Scope;
    const int kind = views_->currentIndex();
    return !isVisible() || fold_->isChecked() || kind == 0 ? Scope::None
           : kind == 3                                     ? Scope::Vectorscope
                                                           : Scope::Waveform;
}

void ScopePanel::show(const PreviewScopes& scopes) {
    histogram_->setCounts(counts(scopes.after.r), counts(scopes.after.g), counts(scopes.after.b),
                          static_cast<double>(scopes.after.pixels));
    if (scopes.waveform) {
        waveform_->setWaveform(*scopes.waveform);
        parade_->setWaveform(*scopes.waveform);
    }
    if (!scopes.vectorscope.isNull()) vectorscope_->setTrace(scopes.vectorscope);
}

void ScopePanel::setMarks(const QVector<ScopeMark>& marks) {
    for (ScopeView* view : {waveform_, parade_, vectorscope_}) view->setMarks(marks);
}

} // namespace baryton
