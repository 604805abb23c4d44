#pragma once
#include "grade/preset.h"

#include <QTreeWidget>
#include <set>

namespace baryton {

/// What a grade holds as a tree: part → layer → stage → parameter, with values; with ticks where it is to be chosen
/// what a preset carries.
class CarryTree : public QTreeWidget {
    Q_OBJECT
public:
    explicit CarryTree(bool withTicks, QWidget* parent = nullptr);

    /// What is shown is a preset, or becomes one: its drawn masks lie in the frame, and that is said.
    void setIsPreset() { isPreset_ = true; }
    /// With ticks every parameter is offered and what stands away from its default is ticked, but nothing in Prep.
    /// Without, just what is present is shown.
    void setGrade(const Grade& grade);
    IncludeSet included() const;
    void tick(const IncludeSet& wanted); ///< these and no others
    void tickAll(bool ticked);
    void tickChanged();
    /// Values can be typed and entries dropped (without ticks only).
    void setEditable(bool editable) { editable_ = editable; }
    /// What the chosen rows stand for: entries, or all of a stage, layer or part.
    IncludeSet chosenEntries() const;

Q_SIGNALS:
    void includedChanged();
    void valueTyped(const baryton::CarryPath& path, const QString& typed);
    void dropWanted();

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    /// Their number; `name` holds a place for each field's name.
    template <class Item>
    int addOwnFields(QTreeWidgetItem* parent, CarryPath path, const Item& of, const QString& name);
    void addStages(QTreeWidgetItem* parent, Part part, const std::string& layer, const std::vector<Stage>& stages);
    void addLeaf(QTreeWidgetItem* parent, const CarryPath& path, const QString& name, const QString& value,
                 bool changed, bool isTyped = true);

    bool withTicks_, isPreset_ = false, editable_ = false, filling_ = false;
    struct Leaf {
        CarryPath path;
        QTreeWidgetItem* item;
        bool isTyped; ///< its value can be typed
    };
    std::vector<Leaf> leaves_;
    std::set<CarryPath> changed_; ///< what is ticked to begin with
};

} // namespace baryton
