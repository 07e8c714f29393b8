// SPDX-License-Identifier: GPL-3.0-or-later
// The window in a made-up language: every text that a person reads can be translated, and has room to be
// longer.
#include <QBoxLayout>
#include <QHeaderView>
#include <QLocale>
#include <QRegularExpression>
#include <QScrollArea>
#include <QScrollBar>
#include <set>

#include "app/forms/form.h"
#include "app/help/guide_page.h"
#include "app/look/every_view.h"
#include "app/look/painted_text.h"
#include "app/model/wishes.h"
#include "checks/findings.h"
#include "coverage/lens.h"
#include "project/differences.h"
#include "project/json_project.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// English again, whatever a test does.
struct InMadeUpLanguage {
    InMadeUpLanguage() { REQUIRE(use_translation(QString::fromStdString(yemvo::test::made_up_language()))); }
    ~InMadeUpLanguage() { use_translation({}); }
};

void collect_words(const nlohmann::json& json, std::set<QString>& words) {
    static const QRegularExpression gap("[^A-Za-z0-9]+");
    if (json.is_string())
        for (const QString& word : QString::fromStdString(json.get<std::string>()).split(gap))
            words.insert(word);
    for (const auto& part : json)
        if (part.is_structured() || (part.is_string() && json.is_structured())) collect_words(part, words);
}

/// What no language changes: the names in the project, our own name, and marks of measures and standards.
class Unchanged {
public:
    explicit Unchanged(const Project& project) {
        collect_words(nlohmann::json::parse(project_to_json(project)), words_);
        for (const char* fixed : {"Yemvo", "EIRP", "Mbit", "dBi", "ITU", "KiB", "MiB"}) words_.insert(fixed);
        for (int month = 1; month <= 12; ++month) words_.insert(QLocale().standaloneMonthName(month));
    }
    /// The first word of a text that is neither translated nor any of those.
    QString foreign(const QString& text) const {
        if (text.startsWith('/')) return {};  // a file
        static const QRegularExpression word("[\\p{L}\\p{N}]+"),
            english("^[A-Za-z]*[aeiouyAEIOUY][A-Za-z]*$");
        auto found = word.globalMatch(text);
        while (found.hasNext()) {
            const QString w = found.next().captured();
            if (w.size() >= 3 && english.match(w).hasMatch() && !words_.contains(w) && !is_cut(text, w))
                return w;
        }
        return {};
    }

private:
    /// The beginning of a name, with "…" behind.
    bool is_cut(const QString& text, const QString& w) const {
        if (!text.contains(w + "…")) return false;
        return std::ranges::any_of(words_, [&](const QString& name) { return name.startsWith(w); });
    }
    std::set<QString> words_;
};

/// The guide is a text of its own, and so is a file that is shown.
bool is_of_the_program(const QWidget& w) {
    for (const QWidget* at = &w; at; at = at->parentWidget())
        if (qobject_cast<const GuidePage*>(at) || at->objectName() == "patternText") return false;
    return true;
}

QString of(const QWidget& w) {
    return QString("%1 %2").arg(w.metaObject()->className(), w.objectName()).trimmed();
}

std::string all(const std::set<QString>& found) {
    return QStringList(found.begin(), found.end()).join("\n").toStdString();
}

std::vector<QWidget*> visible_widgets(QWidget& window) {
    std::vector<QWidget*> all;
    for (QWidget* w : window.findChildren<QWidget*>())
        if (w->isVisible() && !w->size().isEmpty() && is_of_the_program(*w)) all.push_back(w);
    return all;
}

/// A part of a table that is farther across than its frame.
bool scrolls_sideways(const QWidget& w) {
    if (const auto* heads = qobject_cast<const QHeaderView*>(w.parentWidget()))
        return heads->length() > heads->width();
    const auto* area = qobject_cast<const QAbstractScrollArea*>(w.parentWidget());
    return area && area->horizontalScrollBar()->maximum() > 0;
}

bool is_cut_off(const QWidget& w, const PaintedText& t) {
    static const QRegularExpression made_up("[åéîöüýẽ]");
    if (!t.text.contains(made_up) || scrolls_sideways(w)) return false;
    const QRectF room = QRectF(w.rect()).adjusted(-1.5, -3, 1.5, 3);
    if (t.at.left() < room.left() || t.at.right() > room.right()) return true;
    const bool is_control = qobject_cast<const QAbstractButton*>(&w) || qobject_cast<const QLabel*>(&w);
    if (is_control && t.clipped.width() < t.at.width() - 1.5) return true;
    const bool elided = t.text.contains("…") && !t.text.contains("ẽ…");
    // what is shortened is told in full where the pointer rests; a card and a table do so by themselves
    return elided && !w.toolTip().startsWith(t.text.section("…", 0, 0)) && w.objectName() != "worstPlaces";
}

/// What makes the contents of a frame that does not scroll sideways wider than it; empty where nothing does.
QString too_wide_for_its_frame(const QWidget& w) {
    const auto* frame = qobject_cast<const QScrollArea*>(&w);
    if (!frame || !frame->widget() || frame->horizontalScrollBarPolicy() != Qt::ScrollBarAlwaysOff ||
        frame->widget()->width() <= frame->viewport()->width())
        return {};
    QString widest = of(w);
    int most = 0;
    for (const QLayout* row : frame->widget()->findChildren<QLayout*>()) {
        if (!qobject_cast<const QHBoxLayout*>(row) || row->minimumSize().width() <= most) continue;
        most = row->minimumSize().width();
        widest = QString("%1 px in %2:").arg(most).arg(frame->viewport()->width());
        for (int i = 0; i < row->count(); ++i)
            if (const QWidget* in_row = row->itemAt(i)->widget())
                widest += " " + of(*in_row) + " " + in_row->property("text").toString();
    }
    for (const QWidget* child : frame->widget()->findChildren<QWidget*>())
        if (child->isVisible() && child->minimumSizeHint().width() > most) {
            most = child->minimumSizeHint().width();
            widest = QString("%1 px in %2: ").arg(most).arg(frame->viewport()->width()) + of(*child) + " " +
                     child->property("text").toString();
        }
    return widest;
}

}  // namespace

TEST_CASE("every text of the window can be translated") {
    const InMadeUpLanguage language;
    Driver d;
    std::set<QString> found;
    d.window.open_demo();
    REQUIRE(d.settle());
    const Unchanged unchanged(d.project());
    const auto look_at = [&](const QString& text, const QString& where) {
        if (const QString w = unchanged.foreign(text); !w.isEmpty())
            found.insert(where + ": " + text.left(100).replace('\n', ' '));
    };
    every_view(d, [&](const QString& where) {
        for (QWidget* w : visible_widgets(d.window)) {
            for (const PaintedText& t : painted_texts(*w)) look_at(t.text, where + ", " + of(*w));
            look_at(w->toolTip(), where + ", what is told of " + of(*w));
        }
    });
    // menus that are filled when they open, and what dialogs are asked with
    for (QMenu* menu : d.window.findChildren<QMenu*>()) emit menu->aboutToShow();
    int dialogs = 0;
    d.window.asking().open_file = [&](const QString& title, const QString& filter) {
        ++dialogs;
        look_at(title, "a dialog");
        look_at(QString(filter).remove(QRegularExpression("\\(\\*[^)]*\\)")), "its kinds of files");
        return QString();
    };
    d.window.action("file.open")->trigger();
    d.find<QPushButton>("readTypes")->click();
    emit d.w().wishes().choose_drawing();
    CHECK(dialogs == 3);
    for (const QAction* a : d.window.findChildren<QAction*>())
        if (a->objectName() != "qt_edit_menu") look_at(a->text().remove('&'), "command " + a->objectName());
    INFO(all(found));
    CHECK(found.empty());
}

TEST_CASE("a text that is a third longer has room") {
    const InMadeUpLanguage language;
    Driver d;
    std::set<QString> found;
    every_view(d, [&](const QString& where) {
        // a form finds its width in steps: its rows wrap, it grows, a scroll bar takes some of the width
        for (int step = 0; step < 3; ++step) QCoreApplication::processEvents();
        for (QWidget* w : visible_widgets(d.window)) {
            for (const PaintedText& t : painted_texts(*w))
                if (is_cut_off(*w, t)) found.insert(where + ", " + of(*w) + ": " + t.text.left(80));
            if (const auto* heads = qobject_cast<const QHeaderView*>(w))
                for (int i = 0; i < heads->count(); ++i)
                    if (heads->orientation() == Qt::Horizontal && !heads->isSectionHidden(i) &&
                        heads->sectionSize(i) < heads->sectionSizeHint(i))
                        found.insert(where +
                                     QString(", a head %1 of %2 is cut off: ")
                                         .arg(heads->sectionSize(i))
                                         .arg(heads->sectionSizeHint(i)) +
                                     heads->model()->headerData(i, Qt::Horizontal).toString());
            if (const QString wide = too_wide_for_its_frame(*w); !wide.isEmpty())
                found.insert(where + ", too wide for its frame: " + wide);
        }
    });
    INFO(all(found));
    CHECK(found.empty());
}

TEST_CASE("in English the rows of forms stand as they were laid out, none below each other") {
    Driver d;
    std::set<QString> found;
    every_view(d, [&](const QString& where) {
        QCoreApplication::processEvents();
        for (const Form* form : d.window.findChildren<Form*>()) {
            if (!form->isVisible()) continue;
            for (const QLayout* row : form->findChildren<QLayout*>())
                if (const auto* beside = qobject_cast<const QHBoxLayout*>(row);
                    beside && beside->direction() == QBoxLayout::TopToBottom && beside->itemAt(0)->widget())
                    found.insert(where + ", " + of(*beside->itemAt(0)->widget()) + " " +
                                 beside->itemAt(0)->widget()->property("text").toString());
        }
    });
    INFO(all(found));
    CHECK(found.empty());
}

TEST_CASE("what the core says comes in the language of the window") {
    const InMadeUpLanguage language;
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    const Unchanged unchanged(d.project());
    std::set<QString> found;
    const auto look_at = [&](const QString& text) {
        REQUIRE(!text.isEmpty());
        if (const QString w = unchanged.foreign(text); !w.isEmpty()) found.insert(text.left(120));
    };
    for (int i = 0; i < rule_count; ++i) {
        look_at(tr_mark(rule_info(static_cast<Rule>(i)).name));
        look_at(tr_mark(rule_info(static_cast<Rule>(i)).why));
    }
    for (const LensInfo& info : lenses()) {
        look_at(tr_mark(info.name));
        look_at(tr_mark(info.meaning));
    }
    SECTION("findings, with how they are mended") {
        Project p = d.project();
        const FloorId ground = all_floors(p).front()->id;
        Wall beside;
        beside.type = p.wall_types->front().id;
        beside.points = {{70, 0}, {76, 0}, {76, 5}, {70, 5}, {70, 0.06}};
        Opening door;
        door.type = beside.type;
        door.start_m = 5.5;
        beside.openings = {door};
        add_wall(p, ground, beside);
        Wall twice = beside;
        twice.openings.clear();
        add_wall(p, ground, twice);
        SceneCache masks(std::size_t{1} << 20);
        const auto list = findings(p, make_scene(p, masks));
        CHECK(list.size() >= 3);
        for (const Finding& one : list) {
            look_at(said_text(one.what));
            for (const Mend& mend : one.mends) look_at(said_text(mend.label));
        }
    }
    SECTION("what is refused, in the status line") {
        d.w().edit(tr("Rename floor"), [&](Project& p) {
            set_floor(p, d.floor().id, std::string(5000, 'x'), d.floor().elevation_m, d.floor().height_m);
        });
        look_at(d.w().refusal());
        d.w().edit(tr("Change storey height"), [&](Project& p) {
            set_floor(p, d.floor().id, "Reading hall", d.floor().elevation_m, 1e6);
        });
        // a name stays a name
        CHECK(d.w().refusal().contains("Reading hall"));
        look_at(QString(d.w().refusal()).remove("Reading hall"));
    }
    SECTION("a file that cannot be opened") {
        d.window.open_file("/nowhere/at-all.yemvo");
        REQUIRE(QTest::qWaitFor([&] { return !d.failure.isEmpty(); }, 5000));
        look_at(d.failure.section(": ", 1));
    }
    SECTION("what differs between two states") {
        Project other = d.project();
        other.name = "Other";
        other.settings.client_height_m += 0.1;
        remove_wall(other, d.floor().id, d.floor().walls->front().id);
        for (const Said& line : differences(d.project(), other)) look_at(said_text(line));
    }
    INFO(all(found));
    CHECK(found.empty());
}

TEST_CASE("a translation counts, and a file that is none changes nothing") {
    CHECK(counted("%n zone", "%n zones", 1) == "1 zone");
    CHECK(counted("%n zone", "%n zones", 32) == "32 zones");
    CHECK_FALSE(use_translation("/nowhere.qm"));
    {
        const InMadeUpLanguage language;
        CHECK(counted("%n zone", "%n zones", 1) == "1 zönéẽẽ");
        CHECK(counted("%n zone", "%n zones", 32) == "32 zönésẽẽ");
        CHECK_FALSE(use_translation(QString::fromStdString(yemvo::test::test_data() + "/checks.json")));
        CHECK(yemvo::tr("Void") == "Vöîdẽẽ");
        CHECK(said_text(say("a text that nobody has translated: %1", said_figure(-1.5, 1))) ==
              "a text that nobody has translated: " + shown_as("-1.5"));
    }
    CHECK(yemvo::tr("Void") == "Void");
}
