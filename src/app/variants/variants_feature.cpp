// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variants/variants_feature.h"

#include <QMenu>
#include <algorithm>

#include "app/asking/asking.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/shown_map.h"
#include "app/variants/variants_page.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

/// In the order of the project, the first again after the last.
static const Variant& variant_after_this(const Project& p) {
    const auto now = std::ranges::find_if(p.variants, [&](const Variant& v) { return v.id == p.variant; });
    return now + 1 == p.variants.end() ? p.variants.front() : *(now + 1);
}

VariantsFeature::VariantsFeature(Shell& shell)
    : Feature(shell), page_(new VariantsPage(workspace_, shell.frame())) {
    shell.page(page_, [] {
        return Hint{
            tr("Variants"),
            {{"", tr("drag or turn the wheel in any map, all follow")}, {tr("Esc"), tr("back to the plan")}}};
    });
    connect(page_, &VariantsPage::left, this, [this] { shell_.leave_page(); });
    connect(&page_->behind(), &Behind::progressed, this, [this] { shell_.work_changed(); });
    shell.works({[this] { return page_->behind().words(); }, [this] { page_->behind().stop(); }});
    QMenu* menu = shell.menu("plan.variants", tr("Variants"));
    const auto offer = [&](const char* id, const QString& text, const char* key, std::function<void()> run) {
        shell.command_in(menu, {id, text, QKeySequence(key), std::move(run)});
    };
    offer("variant.new", tr("New variant from this one…"), "", [this] { make(); });
    offer("variant.rename", tr("Rename variant…"), "", [this] { rename(); });
    offer("variant.delete", tr("Delete variant"), "", [this] { remove(); });
    offer("variant.next", tr("Next variant"), "Ctrl+Alt+V", [this] { show_next(); });
    offer("variant.side-by-side", tr("Variants side by side"), "Ctrl+Alt+2", [this] { show_side_by_side(); });
    offer("variant.compare-next", tr("Show the change against the next variant"), "Ctrl+Alt+B",
          [this] { compare_with_next(); });
    offer("variant.compare-last-edit", tr("Show the change by the last edit"), "Ctrl+Alt+E",
          [this] { show_change(render::Against::last_edit); });
    menu->addSeparator();
    QMenu* list = menu->addMenu(tr("Switch to"));
    connect(list, &QMenu::aboutToShow, this, [this, list] { fill(list); });
}

void VariantsFeature::make() {
    const QString name = shell_.asking().name(tr("New variant"),
                                              tr("Variant %1").arg(workspace_.project().variants.size() + 1));
    if (name.isEmpty()) return;
    workspace_.edit(tr("New variant"), [&](Project& p) { copy_variant(p, name.toStdString()); });
    workspace_.tell(tr("Now in the variant %1; the one before stays as it was").arg(name));
}

void VariantsFeature::rename() {
    const Variant& now = current_variant(workspace_.project());
    const QString name = shell_.asking().name(tr("Rename variant"), QString::fromStdString(now.name));
    if (name.isEmpty()) return;
    workspace_.edit(tr("Rename variant"),
                    [&, id = now.id](Project& p) { rename_variant(p, id, name.toStdString()); });
}

void VariantsFeature::remove() {
    if (workspace_.project().variants.size() < 2)
        return workspace_.tell(tr("This is the only variant: there has to be one"), true);
    workspace_.edit(tr("Delete variant"), [](Project& p) { remove_variant(p, p.variant); });
}

void VariantsFeature::show_next() {
    const Variant next = variant_after_this(workspace_.project());
    workspace_.edit(tr("Switch variant"), [&](Project& p) { choose_variant(p, next.id); });
    workspace_.tell(tr("Variant %1").arg(QString::fromStdString(next.name)));
}

void VariantsFeature::compare_with_next() {
    if (workspace_.project().variants.size() < 2)
        return workspace_.tell(tr("There is no other variant: Plan, Variants, New variant makes one"), true);
    show_change(render::Against::variant, variant_after_this(workspace_.project()).id);
}

void VariantsFeature::show_side_by_side() {
    if (!workspace_.floor()) return;
    if (workspace_.project().variants.size() < 2)
        return workspace_.tell(tr("There is no other variant: Plan, Variants, New variant makes one"), true);
    shell_.show_page(page_);
    page_->open();
    page_->setFocus();
}

void VariantsFeature::show_change(render::Against against, VariantId other) {
    ShownMap& shown = workspace_.shown();
    if (lens(shown.map().lens).is_choice())
        return workspace_.tell(tr("A change is shown of amounts: choose Signal, SNR or another lens first"),
                               true);
    if (!workspace_.activity().shows_map()) workspace_.activity().set_step(Step::placement);
    const bool off = shown.map().against == against && shown.map().other == other;
    shown.hold_against(off ? render::Against::nothing : against, other);
    if (!off && !shown.held_against())
        workspace_.tell(tr("There is no edit yet: the map shows the change once there is one"));
    else
        workspace_.tell(off ? tr("The map shows the values again")
                            : tr("The map shows the change %1").arg(shown.other_name()));
}

void VariantsFeature::fill(QMenu* list) {
    list->clear();
    if (!workspace_.document().is_open()) return;
    for (const Variant& v : workspace_.project().variants) {
        QAction* a = list->addAction(QString::fromStdString(v.name), this, [this, id = v.id] {
            workspace_.edit(tr("Switch variant"), [&](Project& p) { choose_variant(p, id); });
        });
        a->setCheckable(true);
        a->setChecked(v.id == workspace_.project().variant);
    }
}

}  // namespace yemvo::app
