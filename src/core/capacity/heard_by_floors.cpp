// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/heard_by_floors.h"

namespace yemvo {

std::vector<std::shared_ptr<const HeardFloor>> heard_by_floors(const Project& project,
                                                               const std::vector<AirRadio>& radios,
                                                               Predictor& predictor,
                                                               const CancelToken& cancel) {
    std::vector<std::shared_ptr<const HeardFloor>> floors;
    for (const Floor* f : all_floors(project)) {
        const SitePrediction one = predictor.predict(project, {f->id}, {}, cancel);
        floors.push_back(std::make_shared<const HeardFloor>(heard_on(project, radios, one.floors.front())));
    }
    return floors;
}

}  // namespace yemvo
