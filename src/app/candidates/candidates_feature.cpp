// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/candidates/candidates_feature.h"

#include "app/candidates/candidates_page.h"
#include "app/model/document.h"
#include "app/model/selection.h"
#include "app/model/wishes.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

CandidatesFeature::CandidatesFeature(Shell& shell)
    : Feature(shell), page_(new CandidatesPage(workspace_, shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Candidates"),
                    {{"", tr("drag the access point in any map, it moves in all")},
                     {"1 2 3", tr("the one to use")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    shell.command("view.pages", {"view.candidates", tr("Candidates side by side"), {}, [this] { show(); }});
    connect(&workspace_.wishes(), &Wishes::candidates, this, &CandidatesFeature::show);
    connect(page_, &CandidatesPage::left, this, [this] { shell_.leave_page(); });
    connect(&page_->behind(), &Behind::progressed, this, [this] { shell_.work_changed(); });
    shell.works({[this] { return page_->behind().words(); }, [this] { page_->behind().stop(); }});
}

void CandidatesFeature::show() {
    if (!workspace_.document().is_open() || !shell_.work_in_front()) return;
    AccessPointId id;
    for (const Item& item : workspace_.selection().items())
        if (item.kind == ItemKind::access_point) id = AccessPointId{item.id};
    const auto& here = access_points(workspace_.project(), workspace_.floor_id());
    if (!id && !here.empty()) id = here.front().id;
    if (!id) return workspace_.tell(tr("Place an access point first: candidates stand where it does"), true);
    shell_.show_page(page_);
    page_->open(id);
}

}  // namespace yemvo::app
