#pragma once
#include "app/grade/editors.h"
#include "picture/camera_colour.h"

namespace baryton {

/// How a raw file is developed: its white as shot, in numbers or by a press on something grey; blown lights;
/// response.
class RawEditor : public StageEditor {
    Q_OBJECT
public:
    RawEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    bool worksOnPicture() const override { return true; }
    void pressOnPicture(const PickedColour& colour) override;

protected:
    /// A temperature or tint sets the white, beginning from that as shot.
    void set(const std::map<std::string, Value>& values, bool settled) override;

private:
    std::shared_ptr<const RawPixels> raw() const;
    StillText* account_;
    ValueRow *temperature_, *tint_;
    QPushButton* pick_;
    std::optional<TemperatureTint> asShot_; ///< of the picture that is shown
    std::shared_ptr<const RawPixels> asShotOf_;
    std::optional<RawSettings> shownBy_; ///< what the colours that are pressed on were developed by
};

} // namespace baryton
