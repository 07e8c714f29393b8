// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/prediction/prediction_feature.h"

#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

PredictionFeature::PredictionFeature(Shell& shell) : Feature(shell), runner_(workspace_.memory()) {
    shell.works({[this] { return runner_.doing(); },
                 [this] { stop(); },
                 {},
                 [this] { return stopped_ ? tr("Prediction stopped") : tr("Prediction up to date"); }});
    connect_runner();
    // what was begun for another project is not wanted any more
    connect(&workspace_.document(), &Document::opened, &runner_, &PredictionRunner::cancel);
    connect(&workspace_, &Workspace::project_changed, this, &PredictionFeature::predict);
    // some views need more than the fields: it is worked out when they are first looked at
    connect(&workspace_.results(), &Results::wanted, this, &PredictionFeature::predict);
    connect(&workspace_.in_view(), &InView::floor_changed, this, [this] {
        // all floors are predicted together: another one in view asks for nothing new
        const Results& results = workspace_.results();
        const auto& known = results.prediction();
        const bool complete = known && known->verdict && results.map_prediction() && !results.wants_of_view();
        if (stopped_ || !complete || !runner_.is_idle()) predict();
    });
}

PredictionFeature::~PredictionFeature() { runner_.disconnect(); }

void PredictionFeature::connect_runner() {
    connect(&runner_, &PredictionRunner::ready, this, [this](std::shared_ptr<const Prediction> p) {
        if (p->of == workspace_.document().opened_count()) workspace_.results().set_prediction(std::move(p));
    });
    connect(&runner_, &PredictionRunner::progressed, this, [this] { shell_.work_changed(); });
    connect(&runner_, &PredictionRunner::judged_so_far, &workspace_.results(), &Results::set_judged_so_far);
    connect(&runner_, &PredictionRunner::failed, this,
            [this](const QString& why) { workspace_.tell(why, true); });
}

void PredictionFeature::predict() {
    stopped_ = false;
    if (workspace_.floor())
        runner_.request(workspace_.project(), workspace_.floor_id(), workspace_.results().wanted_work(),
                        workspace_.document().opened_count());
}

void PredictionFeature::stop() {
    runner_.cancel();
    stopped_ = true;
}

}  // namespace yemvo::app
