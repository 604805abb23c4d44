#include "app/driver.h"
#include "app/undo_history.h"

#include <QTest>
#include <gtest/gtest.h>
#include <random>

namespace baryton::test {

namespace {

/// A number of a subject, set from one value to another.
class NumberPart : public UndoPart {
public:
    NumberPart(std::map<int, int>& numbers, int subject, int from, int to)
        : UndoPart(subject), numbers_(numbers), from_(from), to_(to) {}
    bool undo() override {
        // Only the order of its own subject makes this hold.
        EXPECT_EQ(numbers_[subject()], to_);
        numbers_[subject()] = from_;
        return true;
    }
    bool redo() override {
        EXPECT_EQ(numbers_[subject()], from_);
        numbers_[subject()] = to_;
        return true;
    }
    bool mergeWith(const UndoPart& next) override {
        to_ = dynamic_cast<const NumberPart&>(next).to_;
        return true;
    }
    bool changesNothing() const override { return from_ == to_; }

private:
    std::map<int, int>& numbers_;
    int from_, to_;
};

struct Numbers {
    std::map<int, int> values;
    UndoHistory history;

    void set(const std::map<int, int>& to, int gesture = 0) {
        std::vector<std::unique_ptr<UndoPart>> parts;
        for (const auto& [subject, value] : to) {
            parts.push_back(std::make_unique<NumberPart>(values, subject, values[subject], value));
            values[subject] = value;
        }
        history.push(tr8("set"), std::move(parts), gesture);
    }
};

double stops(Driver& d, int index) {
    const Grade& grade = d.state().pictures().at(index).work.grade;
    const auto place = findStage(grade, "exposure-1");
    if (!place) return 0;
    const auto& parameters = stageAt(grade, *place).parameters;
    const auto found = parameters.find("stops");
    return found == parameters.end() ? 0 : std::get<double>(found->second);
}

void expose(Driver& d, const char* value) {
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8(value), true);
}

} // namespace

TEST(UndoHistory, EachSubjectHasItsOwnOrder) {
    Numbers n;
    n.set({{0, 1}});
    n.set({{1, 5}});
    n.set({{0, 2}});
    EXPECT_EQ(n.history.undo({1}), 0);
    EXPECT_EQ(n.values, (std::map<int, int>{{0, 2}, {1, 0}}));
    EXPECT_EQ(n.history.undo({1}), -1);
    EXPECT_EQ(n.history.undo({0}), 0);
    EXPECT_EQ(n.values[0], 1);
    n.set({{1, 7}}); // what was undone of 0 can still be redone, of 1 not
    EXPECT_EQ(n.history.redo({1}), -1);
    EXPECT_EQ(n.history.redo({0}), 0);
    EXPECT_EQ(n.values, (std::map<int, int>{{0, 2}, {1, 7}}));
}

TEST(UndoHistory, AStepOfSeveralGoesBackTogetherButForThoseChangedSince) {
    Numbers n;
    n.set({{0, 1}, {1, 1}, {2, 1}});
    n.set({{1, 2}});
    EXPECT_EQ(n.history.undo({0}), 1) << "one was changed since";
    EXPECT_EQ(n.values, (std::map<int, int>{{0, 0}, {1, 2}, {2, 0}}));
    EXPECT_EQ(n.history.undo({1}), 0);
    EXPECT_EQ(n.history.undo({1}), 0);
    EXPECT_EQ(n.values[1], 0);
    EXPECT_EQ(n.history.redo({2}), 0);
    EXPECT_EQ(n.values, (std::map<int, int>{{0, 1}, {1, 1}, {2, 1}})) << "it comes back on all three";
}

TEST(UndoHistory, AGestureIsOneStepAndNoneWhenItCameBack) {
    Numbers n;
    n.set({{0, 1}}, 4);
    n.set({{0, 2}, {1, 9}}, 4);
    EXPECT_EQ(n.history.entriesOf(0).size(), 1u);
    EXPECT_EQ(n.history.undo({0}), 0);
    EXPECT_EQ(n.values, (std::map<int, int>{{0, 0}, {1, 0}}));
    n.set({{0, 3}}, 5);
    n.set({{0, 0}}, 5);
    EXPECT_TRUE(n.history.undoText({0}).isNull());
}

TEST(UndoHistory, UndoingAllOfASubjectLeadsBackWhateverHappenedElsewhere) {
    std::mt19937 random(7);
    const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
    for (int round = 0; round < 50; ++round) {
        Numbers n;
        for (int i = 0; i < 60; ++i) {
            if (const int what = upTo(6); what == 0)
                n.history.undo({upTo(4)});
            else if (what == 1)
                n.history.redo({upTo(4), upTo(4)});
            else {
                std::map<int, int> to;
                for (int k = 0; k <= upTo(3); ++k) to[upTo(4)] = upTo(100);
                n.set(to, upTo(3));
            }
        }
        const int end = n.values[2];
        int undone = 0;
        while (n.history.undo({2}) >= 0) ++undone;
        EXPECT_EQ(n.values[2], 0);
        for (int i = 0; i < undone; ++i) EXPECT_GE(n.history.redo({2}), 0);
        EXPECT_EQ(n.values[2], end) << "and forth again";
    }
}

TEST(Undo, IsOfThePictureOneIsAt) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    expose(d, "0.5");
    d.key("Ctrl+Down");
    ASSERT_EQ(d.state().key(), 1);
    EXPECT_FALSE(d.undo()) << "nothing was done to this one";
    expose(d, "1.5");
    d.key("Ctrl+Up");
    ASSERT_EQ(d.state().key(), 0);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(stops(d, 0), 0);
    EXPECT_EQ(stops(d, 1), 1.5) << "the later one of another picture stays";
    EXPECT_TRUE(d.redo());
    EXPECT_EQ(stops(d, 0), 0.5);
    EXPECT_FALSE(d.redo());
}

TEST(Undo, OfSeveralPicturesSpareThoseWorkedOnSince) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    d.menu(tr8("Picture"), tr8("Choose all pictures"));
    expose(d, "0.5");
    d.menu(tr8("Picture"), tr8("Edits go to all chosen"));
    d.key("Ctrl+Down");
    expose(d, "-1");
    d.key("Ctrl+Up");
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(stops(d, 0), 0);
    EXPECT_EQ(stops(d, 1), -1);
    EXPECT_EQ(stops(d, 2), 0);
    d.key("Ctrl+Down");
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(stops(d, 1), 0.5);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(stops(d, 1), 0);
    EXPECT_FALSE(d.undo());
}

TEST(Undo, AStageThatIsAddedAgainIsAnotherOne) {
    Driver d({"lake-fog.jpg"});
    d.start();
    std::set<std::string> seen;
    const auto add = [&] {
        d.addStage(tr8("Curves"));
        EXPECT_TRUE(seen.insert(d.state().chosenStage()).second) << d.state().chosenStage();
    };
    add();
    d.key("Ctrl+Backspace");
    add();
    d.undo();
    d.undo();
    d.undo();
    add();
    d.state().keepTake();
    d.state().goOnFrom(kStartTake);
    add();
}

} // namespace baryton::test
