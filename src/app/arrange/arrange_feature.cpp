// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/arrange/arrange_feature.h"

#include <QAction>
#include <QCursor>
#include <QLineF>
#include <QMenu>
#include <algorithm>

#include "app/arrange/arranging.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/probing.h"
#include "app/model/selection.h"
#include "app/model/wishes.h"
#include "app/plan/picking.h"
#include "app/plan/plan_view.h"
#include "project/edits.h"
#include "project/items.h"
#include "render/tr.h"

namespace yemvo::app {

static QString lower_first(QString text) {
    if (!text.isEmpty()) text[0] = text[0].toLower();
    return text;
}

ArrangeFeature::ArrangeFeature(Shell& shell, PlanView& plan) : Feature(shell), plan_(plan) {
    make_history();
    make_commands();
    connect(&plan, &PlanView::menu_asked, this, &ArrangeFeature::open_menu);
}

void ArrangeFeature::make_history() {
    QUndoStack& history = workspace_.document().history();
    QAction* undo = shell_.command("edit.history", {"edit.undo", tr("Undo"), QKeySequence::Undo,
                                                    [&history] { history.undo(); }, Needs::nothing});
    QAction* redo = shell_.command("edit.history", {"edit.redo", tr("Redo"), QKeySequence::Redo,
                                                    [&history] { history.redo(); }, Needs::nothing});
    const auto name = [&history, undo, redo] {
        undo->setEnabled(history.canUndo());
        undo->setText(history.canUndo() ? tr("Undo %1").arg(lower_first(history.undoText())) : tr("Undo"));
        redo->setEnabled(history.canRedo());
        redo->setText(history.canRedo() ? tr("Redo %1").arg(lower_first(history.redoText())) : tr("Redo"));
    };
    connect(&history, &QUndoStack::indexChanged, this, name);
    connect(&workspace_.document(), &Document::opened, this, name);
    name();
}

void ArrangeFeature::make_commands() {
    Workspace& w = workspace_;
    const auto offer = [this](const char* section, const char* id, const QString& text,
                              const QKeySequence& key, std::function<void()> run) {
        shell_.command(section, {id, text, key, std::move(run)});
    };
    offer("edit.clipboard", "edit.cut", tr("Cut"), QKeySequence::Cut, [&w] {
        if (copy_selection(w)) w.selection().remove();
    });
    offer("edit.clipboard", "edit.copy", tr("Copy"), QKeySequence::Copy, [&w] { copy_selection(w); });
    offer("edit.clipboard", "edit.paste", tr("Paste"), QKeySequence::Paste, [this] { paste(); });
    offer("edit.clipboard", "edit.duplicate", tr("Duplicate"), QKeySequence("Ctrl+Alt+D"),
          [&w] { duplicate_selection(w); });
    offer("edit.clipboard", "edit.delete", tr("Delete"), {}, [&w] { w.selection().remove(); });
    offer("edit.shape", "edit.turn-left", tr("Turn left 90°"), QKeySequence("Ctrl+L"),
          [&w] { turn_selection(w, 90); });
    offer("edit.shape", "edit.turn-right", tr("Turn right 90°"), QKeySequence("Ctrl+R"),
          [&w] { turn_selection(w, -90); });
    offer("edit.shape", "edit.mirror-left-right", tr("Mirror left–right"), {},
          [&w] { mirror_selection(w, true); });
    offer("edit.shape", "edit.mirror-up-down", tr("Mirror up–down"), {},
          [&w] { mirror_selection(w, false); });
    offer("edit.shape", "edit.join", tr("Join walls"), QKeySequence("J"), [&w] { join_selection(w); });
    offer("edit.shape", "edit.meet", tr("Extend or trim wall to meet"), QKeySequence("M"),
          [&w] { meet_selection(w); });
    offer("edit.shape", "edit.group", tr("Group"), QKeySequence("Ctrl+G"), [&w] { group_selection(w); });
    offer("edit.shape", "edit.ungroup", tr("Ungroup"), QKeySequence("Ctrl+Shift+G"),
          [&w] { ungroup_selection(w); });
    offer("edit.select", "select.type-here", tr("Select all of this type on this floor"),
          QKeySequence("Ctrl+U"), [&w] { select_alike(w, false); });
    offer("edit.select", "select.type-everywhere", tr("Select all of this type everywhere"),
          QKeySequence("Ctrl+Shift+U"), [&w] { select_alike(w, true); });
    offer("edit.select", "select.all", tr("Select everything on this floor"), QKeySequence::SelectAll, [&w] {
        constexpr double far_m = 1e6;
        if (const Floor* f = w.floor())
            w.selection().select(items_in(w.project(), *f, {{-far_m, -far_m}, {far_m, far_m}}, true));
    });
    offer("edit.select", "select.access-points", tr("Select all access points"), {}, [&w] {
        std::vector<Item> all;
        for (const AccessPoint& ap : access_points(w.project(), w.floor_id()))
            all.push_back({Item::Kind::access_point, ap.id.value});
        w.selection().select(all);
    });
}

void ArrangeFeature::paste() {
    if (!workspace_.floor()) return;
    std::optional<Point> at;
    if (const QPoint pointer = plan_.mapFromGlobal(QCursor::pos()); plan_.rect().contains(pointer))
        at = plan_.map().to_floor(pointer);
    if (!paste_items(workspace_, at)) emit workspace_.wishes().paste_drawing();
}

/// The link profile comes with the tool.
void ArrangeFeature::pin_probe(Point at) {
    int made = 0;
    if (!workspace_.edit(tr("Pin a probe"),
                         [&](Project& p) { made = add_probe(p, workspace_.floor_id(), at); }))
        return;
    if (!workspace_.activity().shows_map()) workspace_.activity().set_step(Step::placement);
    workspace_.activity().set_tool(ToolId::probe);
    workspace_.probing().choose(made);
}

void ArrangeFeature::add_corner_commands(QMenu* menu, QPointF on_plan) {
    const auto& chosen = workspace_.selection().items();
    if (chosen.size() != 1 || (chosen[0].kind != ItemKind::wall && least_corners(chosen[0]) == 0)) return;
    const Item item = chosen[0];
    const auto points = corners(workspace_.project(), *workspace_.floor(), item);
    for (std::size_t i = 0; i < points.size(); ++i)
        if (QLineF(plan_.map().to_screen(points[i]), on_plan).length() <= 8) {
            menu->addAction(tr("Remove this corner"),
                            [this, item, i] { remove_corner(workspace_, item, i); });
            break;
        }
    menu->addAction(tr("Add a corner here"),
                    [this, item, at = plan_.map().to_floor(on_plan)] { add_corner(workspace_, item, at); });
    menu->addSeparator();
}

void ArrangeFeature::open_menu(const QPoint& global, QPointF on_plan) {
    if (!workspace_.floor() || workspace_.activity().tool() != ToolId::select) return;
    const Floor& f = *workspace_.floor();
    Selection& selection = workspace_.selection();
    const auto under = items_at(workspace_.project(), f, plan_.map(), on_plan);
    if (!under.empty() && std::ranges::none_of(under, [&](const Item& i) { return selection.has(i); }))
        selection.select({under.front()});
    auto* menu = new QMenu(shell_.frame());
    menu->setObjectName("planMenu");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    add_corner_commands(menu, on_plan);
    const auto& chosen = selection.items();
    if (!chosen.empty()) {
        for (const char* id : {"edit.cut", "edit.copy", "edit.duplicate", "edit.delete"})
            menu->addAction(shell_.action(id));
        menu->addSeparator();
        for (const char* id : {"edit.turn-left", "edit.turn-right", "edit.mirror-left-right",
                               "edit.mirror-up-down", "edit.join", "edit.meet", "edit.group", "edit.ungroup"})
            menu->addAction(shell_.action(id));
        menu->addSeparator();
        for (const char* id : {"select.type-here", "select.type-everywhere"})
            menu->addAction(shell_.action(id));
        if (chosen.size() == 1)
            if (const auto type = type_of(workspace_.project(), f, chosen[0]))
                menu->addAction(tr("Open its type"),
                                [this, type] { emit workspace_.wishes().type_page(*type); });
    }
    menu->addAction(tr("Why here?"), [this, at = plan_.map().to_floor(on_plan)] { pin_probe(at); });
    menu->addAction(tr("Paste here"), [this, at = plan_.map().to_floor(on_plan)] {
        if (!paste_items(workspace_, at)) paste();
    });
    menu->popup(global);
}

}  // namespace yemvo::app
