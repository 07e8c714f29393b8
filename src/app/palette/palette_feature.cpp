// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/palette/palette_feature.h"

#include <QAction>
#include <QMenu>
#include <QMenuBar>

#include "app/palette/command_palette.h"
#include "app/palette/keys_page.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

void take(const QMenu& menu, const QString& where, std::vector<Choice>& choices) {
    for (QAction* a : menu.actions()) {
        if (a->menu()) {
            take(*a->menu(), where, choices);
        } else if (!a->isSeparator() && !a->text().isEmpty()) {
            choices.push_back({a->text().remove('&').remove(QStringLiteral("…")), where,
                               a->shortcut().toString(QKeySequence::NativeText), [a] { a->trigger(); },
                               a->isEnabled()});
        }
    }
}

}  // namespace

PaletteFeature::PaletteFeature(Shell& shell) : Feature(shell) {
    shell.command("view.find", {"view.find", tr("Find anything…"), QKeySequence("Ctrl+K"), [this] { open(); },
                                Needs::nothing});
    shell.command("help",
                  {"help.keys", tr("Keys"), QKeySequence::HelpContents,
                   [this] { (new KeysPage(shell_.menus(), shell_.frame()))->open(); }, Needs::nothing});
}

void PaletteFeature::open() {
    if (shell_.task_in_front()) return;
    std::vector<Choice> choices;
    for (const QAction* top : shell_.menus().actions())
        if (top->menu()) take(*top->menu(), top->text().remove('&'), choices);
    for (NamedThing& thing : shell_.all_named_things())
        choices.push_back({thing.name, thing.where, "", std::move(thing.go), true});
    (new CommandPalette(std::move(choices), shell_.frame()))->show();
}

}  // namespace yemvo::app
