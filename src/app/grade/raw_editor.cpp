#include "app/grade/raw_editor.h"
#include "app/widgets/labels.h"
#include "picture/development.h"
#include "stages/raw.h"

namespace baryton {

RawEditor::RawEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), account_(new StillText(2)), pick_(makeButton(tr("Pick a neutral…"), "")) {
    QVBoxLayout* layout = startLayout();
    layout->addWidget(account_);
    addChoice(layout, "white");
    temperature_ = addRow(layout, "temperature");
    tint_ = addRow(layout, "tint");
    pick_->setToolTip(tr("Press on something in the picture that should be grey or white"));
    connect(pick_, &QPushButton::clicked, this, [this] {
        Q_EMIT pickWanted(tr("Press on something that should be grey"),
                          [this](const PickedColour& c) { pressOnPicture(c); });
    });
    layout->addWidget(pick_, 0, Qt::AlignLeft);
    layout->addSpacing(4);
    for (const char* parameter : {"highlights", "response", "demosaic"}) addChoice(layout, parameter);
    layout->addStretch(1);
    connect(&state.pictures(), &PictureSet::loaded, this, [this](int index, const LoadedPicture& picture) {
        if (index != state_.key()) return;
        shownBy_ = picture.developed;
        refresh();
    });

    RawEditor::refresh();
}

std::shared_ptr<const RawPixels> RawEditor::raw() const {
    return state_.hasKey() ? state_.pictures().rawOfPicture(state_.key()) : nullptr;
}

void RawEditor::refresh() {
    if (stage().type != kRawType) return;
    refreshRows();
    const auto pixels = raw();
    if (pixels != asShotOf_) {
        asShotOf_ = pixels;
        asShot_.reset();
        if (pixels) asShot_ = whiteAsShot(pixels->header().colour).named;
    }
    const bool isRaw = state_.hasKey() && isRawName(state_.pictures().at(state_.key()).file);
    if (asShot_)
        account_->setText(tr("%1\nAs shot: %2 K, tint %3")
                              .arg(QString::fromStdString(pixels->header().camera))
                              .arg(std::lround(asShot_->kelvin))
                              .arg(std::lround(asShot_->tint * 100)));
    else
        account_->setText(isRaw ? tr("The file is being read.")
                                : tr("This picture is no raw file: nothing here changes it."));
    pick_->setEnabled(asShot_.has_value());
    const auto show = [&](ValueRow* row, const ParameterType& p, double asShot) {
        row->setEnabled(asShot_.has_value());
        if (!asShot_) return;
        // Counted from the white as shot, which is what there is to begin from.
        const double rest = shownNumber(p, asShot);
        row->setDefault(rest);
        row->setValue(rawOf(stage()).isAsShot ? rest : shownNumber(p, number(p.id)));
    };
    show(temperature_, *type().parameter("temperature"), asShot_ ? asShot_->kelvin : 0);
    show(tint_, *type().parameter("tint"), asShot_ ? asShot_->tint : 0);
}

void RawEditor::set(const std::map<std::string, Value>& values, bool settled) {
    std::map<std::string, Value> all = values;
    const auto white = values.find("white");
    const bool becomesSet = white != values.end() ? std::get<std::string>(white->second) == "set"
                                                  : values.contains("temperature") || values.contains("tint");
    if (becomesSet && rawOf(stage()).isAsShot && asShot_) {
        all["white"] = std::string("set");
        all.emplace("temperature", asShot_->kelvin);
        all.emplace("tint", asShot_->tint);
    }
    StageEditor::set(all, settled);
}

void RawEditor::pressOnPicture(const PickedColour& colour) {
    const auto pixels = raw();
    if (!pixels) return;
    const CameraColour& camera = pixels->header().colour;
    const Development development(camera, pixels->toSensor(), shownBy_.value_or(rawOf(stage())));
    const TemperatureTint found =
        whiteFor(camera, development.sensorOf({colour.source[0], colour.source[1], colour.source[2]})).named;
    set({{"white", std::string("set")}, {"temperature", found.kelvin}, {"tint", found.tint}}, true);
}

} // namespace baryton
