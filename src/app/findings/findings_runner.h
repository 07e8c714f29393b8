// Looks for findings behind the window, always in the newest project.
#pragma once
#include <QObject>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>

#include "checks/findings.h"

namespace yemvo::app {

class FindingsRunner : public QObject {
    Q_OBJECT
public:
    explicit FindingsRunner(QObject* parent = nullptr);
    ~FindingsRunner() override;
    void request(const Project&);
    bool is_idle() const;

signals:
    /// Emitted on the runner's own thread: connect queued.
    void found(const std::shared_ptr<const std::vector<yemvo::Finding>>&);
    void failed(const QString& why);

private:
    void work();
    mutable std::mutex mutex_;
    std::condition_variable wake_;
    std::optional<Project> waiting_;
    CancelToken running_;
    SceneCache masks_;
    bool busy_ = false, stop_ = false;
    std::thread thread_;
};

}  // namespace yemvo::app
