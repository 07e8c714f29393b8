// SPDX-License-Identifier: GPL-3.0-or-later
// For the rules of the air: one radio that is looked at.
#pragma once
#include "checks/collector.h"
#include "regulation/regulation.h"

namespace yemvo {

/// One radio that is on and fed.
struct RadioCheck {
    const Check& c;
    const AccessPoint& ap;
    std::size_t radio;
    yemvo::Place place;
    const Radio& set() const { return ap.radios[radio]; }
    Said name() const { return radio_of(ap, radio); }
    Finding& add(Rule rule, Said what) const {
        Finding& f = c.add(rule, ap.position, std::move(what), {{ItemKind::access_point, ap.id.value}});
        f.subjects.push_back(static_cast<std::uint32_t>(radio));
        return f;
    }
    /// A mend that changes this radio, wherever it is by then.
    void mend(Finding& f, Said label, std::function<void(Radio&)> change) const {
        f.mends.push_back(
            {std::move(label),
             change_of(c.floor.id, ap.id, [r = radio, change](AccessPoint& a) { change(a.radios.at(r)); })});
    }
};

/// A mend that gives it another channel.
inline void move_to(const RadioCheck& r, Finding& f, const Channel& channel, int primary) {
    r.mend(f, say("Move to %1", channel_text(primary, channel.width_mhz)), [channel, primary](Radio& radio) {
        radio.channel = channel;
        radio.primary = primary;
        radio.channel_open = false;
    });
}

/// What others do to the radios of a floor: who is heard, by prediction and by captures.
void check_heard(const Check&, const KnownAir*);

}  // namespace yemvo
