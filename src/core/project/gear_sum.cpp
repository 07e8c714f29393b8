// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/gear_sum.h"

#include "gear/power_source.h"

namespace yemvo {

GearSum& GearSum::operator+=(const GearSum& other) {
    access_points += other.access_points;
    radios += other.radios;
    price += other.price;
    watts += other.watts;
    return *this;
}

double drawn_watts(const Project& project, const AccessPoint& ap) {
    const AccessPointModel& m = model(project, ap.model);
    const auto source = ap.source ? ap.source : usual_source(m);
    const PowerRow* row = source ? power_row(m, *source) : nullptr;
    return row ? row->watts : 0;
}

GearSum gear_sum(const Project& project, FloorId floor) {
    GearSum sum;
    for (const AccessPoint& ap : access_points(project, floor)) {
        int radios = 0;
        for (const Radio& r : ap.radios) radios += r.on;
        sum += {1, radios, model(project, ap.model).body.price, drawn_watts(project, ap)};
    }
    return sum;
}

GearSum gear_sum(const Project& project) {
    GearSum sum;
    for (const Floor* f : all_floors(project)) sum += gear_sum(project, f->id);
    return sum;
}

}  // namespace yemvo
