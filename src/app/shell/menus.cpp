// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/menus.h"

#include <QAction>
#include <QMenu>
#include <QMenuBar>
#include <stdexcept>

#include "render/tr.h"

namespace yemvo::app {

Menus::Menus(QMenuBar& bar, QWidget& window) : bar_(bar), window_(window) {
    const struct {
        QString title;
        std::vector<const char*> sections;
    } all[] = {
        {tr("&File"), {"file.open", "file.save", "file.export", "file.end"}},
        {tr("&Edit"), {"edit.history", "edit.clipboard", "edit.shape", "edit.select"}},
        {tr("&View"), {"view.zoom", "view.steps", "view.map", "view.pages", "view.look", "view.find"}},
        {tr("&Plan"), {"plan.variants", "plan.tools", "plan.floors"}},
        {tr("&Help"), {"help"}},
    };
    for (const auto& [title, names] : all) {
        QMenu* menu = bar.addMenu(title);
        for (const char* name : names) sections_[name] = {menu, menu->addSeparator()};
    }
}

const Menus::Section& Menus::section(const char* name) const {
    const auto found = sections_.find(name);
    if (found == sections_.end()) throw std::logic_error(std::string("no section of the menus: ") + name);
    return found->second;
}

QAction* Menus::make(QMenu* menu, const Command& c) {
    auto* a = new QAction(c.text, &window_);
    a->setObjectName(c.id);
    if (!c.key.isEmpty()) {
        a->setShortcut(c.key);
        a->setShortcutContext(Qt::WindowShortcut);
    }
    if (!c.tip.isEmpty()) a->setToolTip(c.tip);
    if (!by_id_.emplace(c.id, a).second)
        throw std::logic_error("two commands are called " + c.id.toStdString());
    if (c.is_on) {
        a->setCheckable(true);
        QObject::connect(menu, &QMenu::aboutToShow, a, [a, is_on = c.is_on] { a->setChecked(is_on()); });
    }
    QObject::connect(a, &QAction::triggered, &window_, [a, run = c.run, is_on = c.is_on] {
        run();
        if (is_on) a->setChecked(is_on());
    });
    if (c.needs == Needs::project) need_project_.push_back(a);
    if (c.needs == Needs::work) need_work_.push_back(a);
    return a;
}

QAction* Menus::add(const char* name, const Command& c) {
    const Section& s = section(name);
    QAction* a = make(s.menu, c);
    s.menu->insertAction(s.end, a);
    return a;
}

QMenu* Menus::add_menu(const char* name, const QString& title) {
    const Section& s = section(name);
    auto* menu = new QMenu(title, s.menu);
    s.menu->insertMenu(s.end, menu);
    return menu;
}

QAction* Menus::add_to(QMenu* menu, const Command& c) {
    QAction* a = make(menu, c);
    menu->addAction(a);
    return a;
}

QAction* Menus::find(const QString& id) const {
    const auto found = by_id_.find(id);
    return found == by_id_.end() ? nullptr : found->second;
}

void Menus::enable(bool project, bool work) {
    for (QAction* a : need_project_) a->setEnabled(project);
    for (QAction* a : need_work_) a->setEnabled(project && work);
}

}  // namespace yemvo::app
