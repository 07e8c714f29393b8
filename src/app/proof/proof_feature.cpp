#include "app/proof/proof_feature.h"

#include "app/model/activity.h"
#include "app/proof/proof_page.h"
#include "app/proof/verdict_view.h"

namespace yemvo::app {

ProofFeature::ProofFeature(Shell& shell) : Feature(shell), page_(new ProofPage(workspace_, shell.frame())) {
    shell.put(Place::beside_plan, page_);
    shell.put(Place::header, new VerdictView(workspace_, shell.frame()));
    connect(&workspace_.activity(), &Activity::step_changed, this,
            [this] { shell_.show_beside_plan(page_, workspace_.activity().step() == Step::proof); });
}

}  // namespace yemvo::app
