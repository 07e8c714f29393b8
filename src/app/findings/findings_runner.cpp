// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/findings/findings_runner.h"

#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

static constexpr auto pause_before = std::chrono::milliseconds(120);

FindingsRunner::FindingsRunner(QObject* parent)
    : QObject(parent), masks_(std::size_t{16} << 20), behind_({Behind::Takes::newest, pause_before}) {}

void FindingsRunner::request(const Project& project, std::shared_ptr<const Prediction> prediction) {
    behind_.request(job(
        {},
        [this, project, prediction = std::move(prediction)](const AtWork& at) {
            const auto* hearing = prediction ? prediction->more.find<SiteHearing>() : nullptr;
            std::optional<KnownAir> air;
            if (hearing) air = known_air(project, *hearing, prediction->more.find<SiteCapacity>());
            return std::make_shared<const std::vector<Finding>>(
                findings(project, make_scene(project, masks_), at.cancel(), air ? &*air : nullptr));
        },
        [this](const std::shared_ptr<const std::vector<Finding>>& all) { emit found(all); },
        [this](const QString& why) {
            emit failed(tr("The findings could not be worked out: %1").arg(why));
        }));
}

}  // namespace yemvo::app
