#pragma once
#include "app/grade/editors.h"
#include "app/tile_drawer.h"
#include "app/widgets/handle_bar.h"
#include "app/widgets/scrub_cell.h"
#include "app/widgets/still_text.h"

#include <QListWidget>

namespace baryton {

/// Levels: for all channels or one, what becomes black, middle and white over the histogram of what enters, and below
/// how dark and light the result may be.
class LevelsEditor : public StageEditor {
    Q_OBJECT
public:
    LevelsEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override;
    HandleBar* input() const { return input_; }
    HandleBar* output() const { return output_; }
    Segments* channels() const { return channels_; }

private:
    std::string id(const char* parameter) const;
    void showChannel();
    Segments* channels_;
    HandleBar *input_, *output_;
    QWidget* pages_[4];
    QVector<double> counts_[4];
};

/// Gradient map: the ramp over the histogram of lumas, stops to drag; a double click adds one or takes one away.
class GradientEditor : public StageEditor {
    Q_OBJECT
public:
    GradientEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override;
    HandleBar* ramp() const { return ramp_; }
    ColourDisc* disc() const { return disc_; } ///< of the chosen stop
    void setInputPicture(const Picture& picture) override;

private:
    struct Stop {
        double at, r, g, b;
    };
    std::vector<Stop> stops() const;
    void setStops(std::vector<Stop> stops, bool settled);
    Vec3 colourOfStop(int stop) const;
    void setColour(int stop, const Vec3& colour, bool settled);
    int otherEnd() const; ///< the first or last stop, whichever is farther from the chosen one
    void showStop(int stop);
    HandleBar* ramp_;
    ColourDisc* disc_;
    ValueRow* light_;
    struct {
        QPointF at; ///< on the disc
        double light = 0;
    } shown_;                        ///< of the chosen stop
    std::optional<double> asked_;    ///< the luma that it had as a hand took the disc
    std::optional<QPointF> askedAt_; ///< the colour that it had as a hand took the lightness
    QPushButton* opposite_;
    QWidget* pages_[8];
};

/// Channel mix: the matrix as a table of numbers.
class ChannelMixEditor : public StageEditor {
    Q_OBJECT
public:
    ChannelMixEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    ScrubCell* cell(int row, int column) const { return cells_[row][column]; }

private:
    ScrubCell* cells_[3][4];
};

/// Film response: the characters, each drawn on the key picture and tried by pointing at it, then the sensitometry.
class FilmEditor : public StageEditor {
    Q_OBJECT
public:
    FilmEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    QListWidget* characters() const { return characters_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void pointAt(int row);
    void drawCharacters();
    /// A grade with the stage of Finish that goes with the chosen response.
    Grade withBody(const Grade& grade, const std::string& stageType) const;
    /// A grade with this stage at another response.
    Grade with(const Grade& grade, int row) const;
    QListWidget* characters_;
    TileDrawer drawer_;
    QTimer drawTimer_;
    Grade drawnFor_; ///< the tiles show its responses
    int pointed_ = -1;
    StillText* summary_;
    QPushButton *grain_, *halation_;
    bool showing_ = false;
};

} // namespace baryton
