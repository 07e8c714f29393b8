// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/materials/materials_feature.h"

#include "app/materials/types_page.h"
#include "app/model/document.h"
#include "app/model/wishes.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

MaterialsFeature::MaterialsFeature(Shell& shell)
    : Feature(shell), page_(new TypesPage(workspace_, shell.asking(), shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Types"),
                    {{"", tr("choose a type, change it, see where it is used")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    shell.command("view.pages", {"view.types", tr("Materials and wall types"), QKeySequence("Ctrl+M"),
                                 [this] { show({}); }});
    connect(&workspace_.wishes(), &Wishes::type_page, this, &MaterialsFeature::show);
    connect(page_, &TypesPage::left, this, [this] { shell_.leave_page(); });
    shell.named_things([this](std::vector<NamedThing>& all) {
        for (const WallType& t : *workspace_.project().wall_types)
            all.push_back({QString::fromStdString(t.name), tr("Type, %1").arg(tr_mark(use_name(t.use))),
                           [this, id = t.id] { show(id); }});
    });
}

bool MaterialsFeature::is_showing() const { return shell_.is_in_front(page_); }

void MaterialsFeature::show(WallTypeId id) {
    if (!workspace_.document().is_open() || !(shell_.work_in_front() || is_showing())) return;
    page_->show_type(id);
    shell_.show_page(page_);
}

}  // namespace yemvo::app
