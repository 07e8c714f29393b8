// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/palette/keys_page.h"

#include <QAction>
#include <QGridLayout>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QScrollArea>

#include "app/look/theme.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

struct Row {
    QString key, what;
};

struct Group {
    QString name;
    std::vector<Row> rows;
};

/// The actions with keys of a menu; a menu within it is a group of its own where it has many.
void add_groups(std::vector<Group>& groups, const QMenu& menu, const QString& name) {
    constexpr std::size_t many = 4;
    Group g{name, {}};
    std::vector<Group> within;
    for (const QAction* a : menu.actions()) {
        if (a->menu()) add_groups(within, *a->menu(), a->text().remove('&'));
        if (!a->shortcut().isEmpty())
            g.rows.push_back({a->shortcut().toString(QKeySequence::NativeText), a->text().remove('&')});
    }
    for (Group& inner : within)
        if (inner.rows.size() <= many) {
            g.rows.insert(g.rows.end(), inner.rows.begin(), inner.rows.end());
            inner.rows.clear();
        }
    groups.push_back(std::move(g));
    groups.insert(groups.end(), within.begin(), within.end());
}

std::vector<Group> groups_of(const QMenuBar& menus) {
    std::vector<Group> groups;
    for (const QAction* top : menus.actions())
        if (top->menu()) add_groups(groups, *top->menu(), top->text().remove('&'));
    std::erase_if(groups, [](const Group& g) { return g.rows.empty(); });
    groups.push_back({"On the plan",
                      {{"Wheel", "Zoom at the pointer"},
                       {"Space + drag", "Move the plan (or the middle button)"},
                       {"Double click", "Fit the floor"},
                       {"Esc", "One step back"},
                       {"Del", "Delete what is selected"},
                       {"Tab", "Select what lies below the pointer, one after another"},
                       {"Shift + click", "Add to the selection, or take out of it"},
                       {"Drag to the right", "Select what is wholly inside"},
                       {"Drag to the left", "Select what is touched"},
                       {"Arrows", "Move what is selected by 10 cm, with Shift by 1 m"},
                       {"Arrows", "With nothing selected, or another tool: a pointer; Shift: ten steps"},
                       {"Space", "Click where that pointer is"},
                       {"Shift + Space", "Press there and hold; again: let go"},
                       {"F", "Flip a door"},
                       {"Right click", "What can be done here"}}});
    groups.push_back({"While drawing",
                      {{"0 … 9", "Type an exact length; units as 3.8 m or 12'6\""},
                       {"Tab", "From length to angle"},
                       {"Enter", "Take what was typed; end the run"},
                       {"Shift", "Steps of 15°"},
                       {"Alt", "No snapping"},
                       {"Backspace", "One corner back"},
                       {"F", "Other hinge while placing a door"}}});
    return groups;
}

QWidget* group_widget(const Group& group) {
    auto* w = new QWidget;
    auto* grid = new QGridLayout(w);
    grid->setContentsMargins(0, 0, 0, 10);
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(4);
    auto* head = new QLabel(group.name);
    head->setFont(render::font(13, 600));
    grid->addWidget(head, 0, 0, 1, 2);
    int line = 1;
    for (const Row& row : group.rows) {
        auto* key = new QLabel(row.key);
        key->setFont(render::font(11, 500));
        dress(key, "border: 1px solid @line; border-radius: 3px; background: @tile; padding: 1px 5px;");
        auto* what = new QLabel(row.what);
        what->setWordWrap(true);
        grid->addWidget(key, line, 0, Qt::AlignRight | Qt::AlignTop);
        grid->addWidget(what, line++, 1);
    }
    grid->setColumnMinimumWidth(0, 96);
    grid->setColumnStretch(1, 1);
    return w;
}

}  // namespace

KeysPage::KeysPage(const QMenuBar& menus, QWidget* window) : QDialog(window) {
    setObjectName("keysPage");
    setWindowTitle("Keys");
    setAttribute(Qt::WA_DeleteOnClose);
    resize(1060, 700);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    auto* scroll = new QScrollArea(this);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    outer->addWidget(scroll);
    auto* page = new QWidget;
    auto* columns = new QHBoxLayout(page);
    columns->setContentsMargins(20, 18, 20, 18);
    columns->setSpacing(28);
    QVBoxLayout* parts[3];
    std::size_t filled[3] = {0, 0, 0};
    for (auto& part : parts) {
        part = new QVBoxLayout;
        columns->addLayout(part, 1);
    }
    for (const Group& g : groups_of(menus)) {  // each to the shortest column
        const auto shortest = static_cast<std::size_t>(std::min_element(filled, filled + 3) - filled);
        parts[shortest]->addWidget(group_widget(g));
        filled[shortest] += g.rows.size() + 2;
    }
    for (auto* part : parts) part->addStretch(1);
    scroll->setWidget(page);
}

}  // namespace yemvo::app
