// SPDX-License-Identifier: GPL-3.0-or-later
// Names by a scheme, who it is for, and a basement in which the installers have begun.
#include "demo/composer.h"
#include "handover/naming.h"
#include "project/edits.h"

namespace yemvo::demo {
namespace {

/// Units and addresses are made up (addresses: locally administered).
void set_on_site(Project& p, int number, SiteState state, const char* date, const char* serial,
                 const char* address, const char* note = "") {
    for (const auto& [floor, ap] : placed_access_points(p))
        if (ap->number == number) {
            AccessPoint changed = *ap;
            changed.on_site.state = state;
            changed.on_site.date = date;
            changed.on_site.serial = serial;
            changed.on_site.address = address;
            changed.on_site.note = note;
            return replace_access_point(p, floor->id, changed);
        }
}

}  // namespace

void compose_handover(Project& p) {
    p.handover.report.customer = "Larkfield Library Trust";
    p.handover.report.author = "Planning desk, wireless";
    p.handover.report.revision.assign(1, 'C');
    p.handover.report.words =
        "{site} is to have Wi-Fi on {floors} floors. This plan for {customer} has {access-points} access "
        "points; {verdict}.\n"
        "The author's evening, when the auditorium is full, is the busy hour that the plan is made for. "
        "Floors, walls and "
        "heights are as in the drawings of the refurbishment; materials were told by the architect.";
    p.handover.naming.pattern = "LK-{n}";
    p.handover.naming.by = CountedBy::site;
    p.handover.naming.digits = 3;
    give_names(p, names_by(p, p.handover.naming));
    set_on_site(p, 27, SiteState::checked, "2026-11-24", "MU-204817", "02:1e:5a:41:00:1b");
    set_on_site(p, 28, SiteState::hung, "2026-11-26", "MU-204822", "02:1e:5a:41:00:1c",
                "Above the aisle, not above a rack: the racks roll");
}

}  // namespace yemvo::demo
