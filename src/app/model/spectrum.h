// SPDX-License-Identifier: GPL-3.0-or-later
// The radios on the spectrum: who shares whose air, and which of them are chosen.
//
// Who hears whom comes with a prediction; channels are the project's own, so that a radio that is retuned
// meets others in the same frame.
#pragma once
#include <QObject>
#include <QString>
#include <memory>
#include <optional>
#include <vector>

#include "tuning/meetings.h"

namespace yemvo::app {

class Workspace;

/// The air as it is now.
struct SpectrumNow {
    SiteAir air;
    std::vector<AirMeeting> meetings;  ///< most lost first
    bool heard = false;                ///< who hears whom is known
    std::optional<std::uint32_t> find(const RadioRef&) const;
    /// "17", "Loft", "hidden on 36": as lists and lines call a radio.
    QString name(std::uint32_t radio) const;
};

class Spectrum : public QObject {
    Q_OBJECT
public:
    explicit Spectrum(Workspace&);
    /// Worked out when it is asked for, where something has changed since. Never null.
    const std::shared_ptr<const SpectrumNow>& now();
    /// Who hears whom is brought along with predictions while somebody wants it.
    void want(const void* who, bool on);

    /// Radios, as the board chooses them: those of the access points that are selected, or some of these.
    const std::vector<RadioRef>& chosen() const { return chosen_; }
    bool is_chosen(const RadioRef&) const;
    /// Selects their access points as well.
    void choose(std::vector<RadioRef>);
    /// The one that lists are about: the last that was chosen.
    std::optional<RadioRef> current() const;
    /// The neighbour that was chosen on the board or in a list: where it was heard loudest, on the floor in
    /// view where it was heard there.
    struct NeighbourAt {
        ListeningPlaceId place;
        std::size_t index;
        friend bool operator==(const NeighbourAt&, const NeighbourAt&) = default;
    };
    const std::optional<NeighbourAt>& neighbour() const { return neighbour_; }
    /// Shows its listening place; `radio`: in now()->air.
    void choose_neighbour(std::uint32_t radio);

    /// For the workspace: another project.
    void start();

signals:
    void changed();  ///< radios, hearing or use
    void chosen_changed();

private:
    void forget();
    void follow_selection();
    Workspace& workspace_;
    std::shared_ptr<const SpectrumNow> now_;
    std::vector<RadioRef> chosen_;
    std::optional<NeighbourAt> neighbour_;
    bool choosing_ = false;
};

}  // namespace yemvo::app
