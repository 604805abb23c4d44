#pragma once
#include "app/mask_tools.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"
#include "grade/mask.h"

#include <QCheckBox>
#include <QComboBox>
#include <QPushButton>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <functional>

namespace baryton {

/// What there is to set of one shape of a mask, on a page for each form: its numbers as rows, and for a brush what
/// the next stroke will be.
class MaskPages : public QWidget {
    Q_OBJECT
public:
    explicit MaskPages(MaskTools& tools, QWidget* parent = nullptr);

    /// A layer that a shape may be linked to.
    struct Link {
        std::string id;
        QString name;
        bool operator==(const Link&) const = default;
    };
    void setLinks(std::vector<Link> links);
    void show(const MaskShape* shape);
    /// For rows that belong to the whole mask, so that all names get one width.
    ValueRow* makeRow(QVBoxLayout* layout, const QString& name, const QString& tip, double low, double high,
                      double standard);
    void alignNames();
    QString formName(const MaskShape& shape) const;
    /// How far the search for the object is, or what to do.
    void setObjectWords(const QString& words) { objectWords_->setText(words); }

    using Change = std::function<void(MaskShape&)>;

Q_SIGNALS:
    /// An edit of the shape; those with one gesture are one step.
    void edited(const QString& gesture, const baryton::MaskPages::Change& change, bool settled);
    void linkCutWanted();
    /// The next press on the picture begins the range anew, or the line round the object.
    void anewWanted();
    /// The object within the chosen ellipse is wanted in its place.
    void searchInWanted();

private:
    template <class Form>
    struct Number {
        double Form::*member;
        double scale;
        ValueRow* row;
    };
    /// How a number is called and shown: `low` and `high` of the ruler, in shown units.
    struct Words {
        QString name, tip;
        double low, high;
        enum class Unit { Percent, Degrees, Hundredths } unit = Unit::Percent;
    };
    template <class Form>
    void addNumber(QVBoxLayout* rows, std::vector<Number<Form>>& list, double Form::*member, const Words& words);
    template <class Form>
    void showNumbers(const MaskShape& shape, const std::vector<Number<Form>>& list);
    QVBoxLayout* startPage();
    void addDrawn();
    void addBrush();
    void addRanges();
    void addLink();
    void addObject();
    /// A row of what the next stroke will be.
    ValueRow* addBrushRow(QVBoxLayout* rows, const QString& name, const QString& tip, double low, double high,
                          double MaskTools::Brush::*member);
    QCheckBox* makeBrushBox(const QString& name, const QString& tip, bool MaskTools::Brush::*member);
    void showBrush();

    MaskTools& tools_;
    std::vector<QWidget*> pages_; ///< as the forms stand in MaskShape::form
    std::vector<ValueRow*> rows_;
    std::vector<Number<MaskEllipse>> ellipse_;
    std::vector<Number<MaskRamp>> ramp_;
    std::vector<Number<MaskBrush>> brush_;
    std::vector<Number<MaskTones>> tones_;
    std::vector<Number<MaskColours>> colours_;
    ValueRow *size_ = nullptr, *softness_ = nullptr, *flow_ = nullptr, *objectSize_ = nullptr;
    QCheckBox *erases_ = nullptr, *keeps_ = nullptr, *takesAway_ = nullptr;
    StillText* objectWords_ = nullptr;
    QLabel *strokes_ = nullptr, *copied_ = nullptr;
    QComboBox* link_ = nullptr;
    QPushButton* cut_ = nullptr;
    std::vector<Link> links_;
};

} // namespace baryton
