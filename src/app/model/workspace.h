// SPDX-License-Identifier: GPL-3.0-or-later
// What every part of the window may ask for: the project and its edits, the floor in view, a word to the
// person, and the way to what else the window is about at the moment, each in an object and a header of its
// own.
#pragma once
#include <QObject>
#include <QString>
#include <functional>
#include <memory>

#include "base/id.h"
#include "base/length_text.h"

namespace yemvo {
struct Project;
struct Floor;
class MemoryBudget;
}  // namespace yemvo

namespace yemvo::app {

class Activity;
class Aligning;
class Document;
class DrawingsInView;
class FoundFindings;
class InView;
class NextThings;
class Probing;
class Results;
class Selection;
class ShownMap;
class Spectrum;
class Wishes;

class Workspace : public QObject {
    Q_OBJECT
public:
    explicit Workspace(Document&, QObject* parent = nullptr);
    ~Workspace() override;

    Document& document() const { return document_; }
    const Project& project() const;
    /// Null only while no project is open.
    const Floor* floor() const;
    FloorId floor_id() const;
    LengthUnits units() const;
    /// Label, change, and a key under which a run of edits becomes one. False when it would break a limit of
    /// the project: then nothing has changed, and the reason is told and kept until the next edit.
    bool edit(const QString& label, const std::function<void(Project&)>& change, int merge_key = 0);
    /// Why the last edit was refused; empty when it was not.
    const QString& refusal() const { return refusal_; }
    void forget_refusal() { refusal_.clear(); }
    /// A message for the status line; stays until the next one.
    void tell(const QString& message, bool is_fault = false) { emit told(message, is_fault); }

    InView& in_view() const { return *in_view_; }            ///< floor, site or building, marked place
    Activity& activity() const { return *activity_; }        ///< step and tool
    Selection& selection() const { return *selection_; }     ///< what is chosen
    NextThings& next() const { return *next_; }              ///< what the tools make next
    DrawingsInView& drawings() const { return *drawings_; }  ///< which drawing, scaled how, against what
    Aligning& aligning() const { return *aligning_; }        ///< pairs of places on two floors
    ShownMap& shown() const { return *shown_; }              ///< lens, bands, radios, change
    Results& results() const { return *results_; }           ///< prediction and verdict
    FoundFindings& found() const { return *found_; }         ///< findings
    Spectrum& spectrum() const { return *spectrum_; }  ///< who shares whose air, the radios chosen there
    Probing& probing() const { return *probing_; }     ///< the probe in view and its links
    Wishes& wishes() const { return *wishes_; }        ///< what one part asks of another it does not know
    /// Of all that is kept so that it need not be worked out again.
    const std::shared_ptr<MemoryBudget>& memory() const { return memory_; }

signals:
    /// Another value of the project; what was chosen and is gone has been dropped before.
    void project_changed();
    void told(const QString& message, bool is_fault);

private:
    void project_replaced();
    void drop_what_is_gone();
    Document& document_;
    QString refusal_;
    std::shared_ptr<MemoryBudget> memory_;
    std::unique_ptr<InView> in_view_;
    std::unique_ptr<Activity> activity_;
    std::unique_ptr<Selection> selection_;
    std::unique_ptr<NextThings> next_;
    std::unique_ptr<DrawingsInView> drawings_;
    std::unique_ptr<Aligning> aligning_;
    std::unique_ptr<ShownMap> shown_;
    std::unique_ptr<Results> results_;
    std::unique_ptr<FoundFindings> found_;
    std::unique_ptr<Probing> probing_;
    std::unique_ptr<Spectrum> spectrum_;
    std::unique_ptr<Wishes> wishes_;
};

}  // namespace yemvo::app
