// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/findings/findings_runner.h"

#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

static constexpr auto pause_before = std::chrono::milliseconds(120);

FindingsRunner::FindingsRunner(QObject* parent)
    : QObject(parent), masks_(std::size_t{16} << 20), behind_({Behind::Takes::newest, pause_before}) {}

void FindingsRunner::request(const Project& project) {
    behind_.request(job(
        {},
        [this, project](const AtWork& at) {
            return std::make_shared<const std::vector<Finding>>(
                findings(project, make_scene(project, masks_), at.cancel()));
        },
        [this](const std::shared_ptr<const std::vector<Finding>>& all) { emit found(all); },
        [this](const QString& why) {
            emit failed(tr("The findings could not be worked out: %1").arg(why));
        }));
}

}  // namespace yemvo::app
