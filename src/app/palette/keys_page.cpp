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
#include "render/tr.h"

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
    groups.push_back(
        {tr("On the plan"),
         {{tr("Wheel"), tr("Zoom at the pointer")},
          {tr("Space + drag"), tr("Move the plan (or the middle button)")},
          {tr("Double click"), tr("Fit the floor")},
          {tr("Esc"), tr("One step back")},
          {tr("Del"), tr("Delete what is selected")},
          {tr("Tab"), tr("Select what lies below the pointer, one after another")},
          {tr("Shift + click"), tr("Add to the selection, or take out of it")},
          {tr("Drag to the right"), tr("Select what is wholly inside")},
          {tr("Drag to the left"), tr("Select what is touched")},
          {tr("Arrows"), tr("Move what is selected by 10 cm, with Shift by 1 m")},
          {tr("Arrows"), tr("With nothing selected, or another tool: a pointer; Shift: ten steps")},
          {tr("Space"), tr("Click where that pointer is")},
          {tr("Shift + Space"), tr("Press there and hold; again: let go")},
          {"F", tr("Flip a door")},
          {tr("Right click"), tr("What can be done here")}}});
    groups.push_back({tr("While drawing"),
                      {{"0 … 9", tr("Type an exact length; units as 3.8 m or 12'6\"")},
                       {tr("Tab"), tr("From length to angle")},
                       {tr("Enter"), tr("Take what was typed; end the run")},
                       {tr("Shift"), tr("Steps of 15°")},
                       {tr("Alt"), tr("No snapping")},
                       {tr("Backspace"), tr("One corner back")},
                       {"F", tr("Other hinge while placing a door")}}});
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
    setWindowTitle(tr("Keys"));
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
