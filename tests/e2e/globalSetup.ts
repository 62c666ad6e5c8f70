import { startServer } from "./stack";

export default startServer;
