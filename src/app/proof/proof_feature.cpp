// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/proof_feature.h"

#include "app/model/activity.h"
#include "app/model/results.h"
#include "app/proof/missed_places.h"
#include "app/proof/proof_page.h"
#include "app/proof/verdict_view.h"

namespace yemvo::app {

ProofFeature::ProofFeature(Shell& shell) : Feature(shell), page_(new ProofPage(workspace_, shell.frame())) {
    shell.put(Place::beside_plan, page_);
    shell.put(Place::header, new VerdictView(workspace_, shell.frame()));
    workspace_.results().teach(missed_places());
    connect(&workspace_.activity(), &Activity::step_changed, this, [this] {
        const bool in_front = workspace_.activity().step() == Step::proof;
        workspace_.results().want<MissedPlaces>(this, in_front);
        shell_.show_beside_plan(page_, in_front);
    });
}

}  // namespace yemvo::app
